import type { Track } from './pushAlongPath'

/** A track whose copies have moved along it since. */
export const movedOn = (track: Track, along: Float64Array): Track => ({
  ...track,
  rideOf: (k) => {
    const ride = track.rideOf(k)
    return ride && { ...ride, length: ride.length + along[k] }
  },
})
