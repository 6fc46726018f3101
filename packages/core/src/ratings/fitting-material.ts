/** What a fitting is made of. */
export const fittingMaterials = {
  aluminium: 'anodised aluminium',
  steel: 'plated steel',
  stainless: 'stainless steel',
  brass: 'brass',
  plastic: 'glass-filled nylon',
} as const;
export type FittingMaterial = keyof typeof fittingMaterials;
