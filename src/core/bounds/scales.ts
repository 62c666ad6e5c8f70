/** Scales from strict to free: an earlier word is the stricter one. */
export const SCALES = {
  openChain: ["none", "isometric", "arc", "free"],
  kneeFlexion: ["none", "isometric", "light", "progressive", "free"],
  weightBearing: ["non", "touch", "partial", "as_tolerated", "full"],
  hip: ["none", "isometric", "light", "free"],
  axial: ["none", "low", "high"],
  kneeling: ["no", "padded", "yes"],
  impact: ["none", "low", "graded", "full"],
  staticQuad: ["none", "gentle_set_only", "free"],
  machines: ["therapist_present", "free"],
  painSchool: ["pain_free", "pain_monitoring"],
} as const;
