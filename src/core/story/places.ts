export const SUPPORT_IDS = ["none", "sleeve", "brace", "tight_wrap"] as const;
export const PLACE_IDS = ["clinic_gym", "other_gym", "home"] as const;
export type Support = (typeof SUPPORT_IDS)[number];
export type Place = (typeof PLACE_IDS)[number];
