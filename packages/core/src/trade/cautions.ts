/** What about a stage can hurt someone. */
export type Caution = 'spray' | 'solvent' | 'oily-rags' | 'knife' | 'dust' | 'glue'

const closing = 'Follow the product’s own sheet and local rules.'

/** One short, usual caution each (common practice); they defer to the product's sheet and local codes. */
export const cautionText: Readonly<Record<Caution, string>> = {
  spray: `Spray outdoors or in an extracting booth, wear a fitting respirator, keep away from flames. ${closing}`,
  solvent: `Flammable and harmful to breathe: fresh air, gloves, no flames. ${closing}`,
  'oily-rags': `Rags with oil can ignite by themselves: lay them flat outdoors to dry, or into a closed metal tin with water. ${closing}`,
  knife: `Fresh blade, cut away from yourself. ${closing}`,
  dust: `Don’t breathe the dust: wet-sand, wear a dust mask, don’t blow powder about. ${closing}`,
  glue: `Keep glue and its fumes off eyes and skin; fresh air. ${closing}`,
}
