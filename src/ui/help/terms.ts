/** Words of the field that a new colleague may ask about, each said once for every place it stands in. */
export const TERMS = {
  flexion: ["knee flexion", "How far the knee is bent: 0° is straight, 90° a right angle."],
  jointPain: [
    "joint pain",
    "Pain in the joint, 0 none to 10 the worst there is; the burn of a muscle is not meant.",
  ],
  irritability: [
    "stirred up",
    "How little brings the pain on and how long it stays; easily stirred up makes every rule stricter.",
  ],
  reserve: [
    "repetitions in reserve",
    "How many more would have gone; with 3 in reserve it is not to failure.",
  ],
  hard: ["hard repetitions", "Those with four or fewer in reserve after them."],
  effective: [
    "effective sets",
    "Sets with four or fewer in reserve at half of the maximum and more count one, easier ones and heavy holds a half. A usual way to count, not a measured one.",
  ],
  room: [
    "what the joint takes",
    "What one visit puts on what is sore: ten repetitions at 60 % of what can be lifted once are 1, four seconds of a hold one repetition. Learnt from the mornings after; it compares visits of one client and predicts nothing.",
  ],
  kneecap: [
    "chair rises",
    "Load of the kneecap joint as a multiple of this client rising from a 46 cm chair. It compares; it does not predict harm.",
  ],
  symmetry: [
    "share of the other leg",
    "This leg's strength in percent of the other's at the same angle. One session is right to about ± 14 %.",
  ],
  stance: [
    "stance",
    "An answer to a question on which good clinicians differ; the clinic and the client can each have one.",
  ],
  phase: ["phase", "Where healing stands. Weeks alone never open the next one."],
  newtonMetre: ["N·m", "Newton metre: force times lever arm, what the muscle gives about the joint."],
  cannotTell: ["cannot tell", "One session's error reaches both sides of the mark: test again."],
  line: ["line", "One exercise of a sheet; it keeps its history through every change."],
  ladder: ["ladder", "The rungs that a hold climbs, angle by angle."],
  goodVisit: [
    "good visit",
    "All of it was done inside the pain rule, and the morning was quiet; so many in a row make a step.",
  ],
  block: ["block", "Weeks of building and of keeping, planned together."],
  leverRatio: [
    "lever ratio",
    "Turning effect about the machine's axis for each newton of stack, so a length: 30 cm means 0.3 N·m from one newton.",
  ],
  calibration: ["calibration", "The resistance measured with the load cell at several angles."],
  friction: [
    "friction share",
    "How much heavier the load is lifted than held; lowered it is lighter by as much.",
  ],
} as const satisfies Record<string, readonly [name: string, meaning: string]>;

export type TermId = keyof typeof TERMS;
