/** Words that are forgiven where they are left out, and where they are said without need. */
export const SMALL = new Set(
  'a an the of in at to with and on it its is are them their they that as what goes'.split(' '),
)
