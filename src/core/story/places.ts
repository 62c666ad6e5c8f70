export const SUPPORTS = {
  none: "none",
  sleeve: "sleeve",
  brace: "brace as ordered",
  tight_wrap: "tight wrap during the set only",
} as const;
export const PLACES = { clinic_gym: "clinic gym", other_gym: "another gym", home: "home" } as const;
