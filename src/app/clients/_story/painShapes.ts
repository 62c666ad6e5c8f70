import type { PainRegion } from "@/core/units/painRegion";

/** From where the leg is seen. Outlines and regions are those of a right leg. */
export const VIEWS = ["front", "inside", "behind"] as const;
type View = (typeof VIEWS)[number];

/** The line that each view is mirrored in for a left leg. */
export const MIDDLES: Record<View, number> = { front: 54, inside: 122, behind: 194 };

export const OUTLINES: Record<View, string[]> = {
  front: [
    "M 26 40 C 20 80 28 120 34 150 C 33 168 32 176 36 190 C 36 220 42 236 44 252 C 38 266 38 276 46 278 L 68 278 C 70 268 62 258 62 250 C 66 230 70 210 68 190 C 74 176 73 166 71 150 C 78 116 82 90 80 66",
    "M 26 40 C 40 34 66 36 82 52",
  ],
  inside: [
    "M 98 46 C 92 90 98 124 104 146 C 99 156 99 172 106 184 C 110 215 112 236 112 250 C 106 260 92 266 93 276 L 136 278 C 141 270 137 258 133 248 C 143 226 148 204 139 182 C 134 170 137 160 140 148 C 149 112 152 78 146 46",
    "M 98 46 C 112 38 132 38 146 46",
  ],
  behind: [
    "M 164 4 C 168 24 166 36 164 52 C 160 84 170 122 176 150 C 175 168 174 178 176 190 C 174 218 182 240 186 254 L 182 274 L 210 274 L 202 254 C 208 236 214 214 212 190 C 215 176 214 164 212 150 C 220 118 228 84 224 52 C 222 36 220 24 224 4",
  ],
};

export interface RegionShape {
  id: PainRegion;
  view: View;
  cx: number;
  cy: number;
  rx: number;
  ry: number;
}

/** Where a region lies. One that is seen from two sides has a place in both; keys go to the first. */
export const REGION_SHAPES: readonly RegionShape[] = [
  { id: "hip_groin", view: "front", cx: 66, cy: 62, rx: 12, ry: 10 },
  { id: "hip_side", view: "front", cx: 34, cy: 66, rx: 9, ry: 14 },
  { id: "thigh_front", view: "front", cx: 52, cy: 108, rx: 14, ry: 25 },
  { id: "knee_above", view: "front", cx: 52, cy: 146, rx: 13, ry: 8 },
  { id: "knee_cap", view: "front", cx: 52, cy: 164, rx: 9, ry: 9 },
  { id: "knee_inner", view: "front", cx: 68, cy: 165, rx: 6, ry: 13 },
  { id: "knee_outer", view: "front", cx: 36, cy: 165, rx: 6, ry: 13 },
  { id: "knee_tendon", view: "front", cx: 52, cy: 183, rx: 9, ry: 8 },
  { id: "shin", view: "front", cx: 52, cy: 217, rx: 10, ry: 23 },
  { id: "ankle_foot", view: "front", cx: 54, cy: 262, rx: 14, ry: 15 },
  { id: "back_low", view: "behind", cx: 194, cy: 30, rx: 24, ry: 17 },
  { id: "back_buttock", view: "behind", cx: 194, cy: 70, rx: 21, ry: 17 },
  { id: "thigh_back", view: "behind", cx: 194, cy: 120, rx: 15, ry: 27 },
  { id: "knee_back", view: "behind", cx: 194, cy: 166, rx: 12, ry: 12 },
  { id: "calf", view: "behind", cx: 194, cy: 208, rx: 14, ry: 26 },
  { id: "thigh_front", view: "inside", cx: 108, cy: 104, rx: 9, ry: 28 },
  { id: "thigh_back", view: "inside", cx: 136, cy: 104, rx: 10, ry: 28 },
  { id: "knee_cap", view: "inside", cx: 106, cy: 161, rx: 6, ry: 9 },
  { id: "knee_inner", view: "inside", cx: 121, cy: 163, rx: 8, ry: 13 },
  { id: "knee_back", view: "inside", cx: 135, cy: 163, rx: 5, ry: 11 },
  { id: "knee_tendon", view: "inside", cx: 109, cy: 181, rx: 5, ry: 8 },
  { id: "shin", view: "inside", cx: 116, cy: 217, rx: 6, ry: 22 },
  { id: "calf", view: "inside", cx: 133, cy: 209, rx: 9, ry: 22 },
  { id: "ankle_foot", view: "inside", cx: 119, cy: 264, rx: 17, ry: 11 },
];
