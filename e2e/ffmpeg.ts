import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'

/** Debian's ffmpeg brings it. */
export const canProbe = existsSync('/usr/bin/ffprobe')

/** What ffprobe says of a video, each of its pictures decoded and counted. */
export function probed(video: Buffer): Record<string, unknown> {
  const fields = 'codec_name,width,height,avg_frame_rate,nb_read_frames'
  const told = execFileSync(
    'ffprobe',
    `-v error -count_frames -show_entries stream=${fields}:format=duration -of json -i pipe:0`.split(' '),
    { input: video, encoding: 'utf8' },
  )
  const { streams, format } = JSON.parse(told) as { streams: object[]; format: { duration: string } }
  return { ...streams[0], duration: Number(format.duration) }
}

/** The n-th picture of a video, or a single picture, as ffmpeg decodes it: red, green and blue of pixel after pixel. */
export const pixelsOf = (file: Uint8Array, n: number): Buffer =>
  execFileSync(
    'ffmpeg',
    `-v error -i pipe:0 -vf select=eq(n\\,${n}) -frames:v 1 -f rawvideo -pix_fmt rgb24 pipe:1`.split(' '),
    { input: file },
  )

/** The root of the mean square of the differences between two pictures, of 255. */
export function distance(a: Buffer, b: Buffer): number {
  if (a.length !== b.length || a.length === 0) throw new Error(`pictures of ${a.length} and ${b.length} bytes`)
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += (a[i] - b[i]) ** 2
  return Math.sqrt(sum / a.length)
}
