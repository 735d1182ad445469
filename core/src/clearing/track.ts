import type { Track } from './pushAlongPath'

/** A track whose copies have moved along it since. */
export const movedOn = ({ contours, rideOf }: Track, along: Float64Array): Track => ({
  contours,
  rideOf: (k) => {
    const ride = rideOf(k)
    return ride && { ...ride, length: ride.length + along[k] }
  },
})
