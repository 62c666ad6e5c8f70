import type { CarryOver, SwapReason, SwapTerm } from "@/core/selection/swap/swap";

/** Why an exercise is swapped for today. */
export const SWAP_REASONS: Readonly<Record<SwapReason, string>> = {
  back: "a twinge in the back, no signs in the leg",
  knee: "knee pain above the limit",
  swollen: "knee more swollen by a grade",
  groin: "a pinch in the groin",
  tendon: "tendon pain above the limit",
  pressure: "blood pressure in the high band",
  tired: "tired, slept badly or ill last week",
  taken: "the machine is taken or broken",
  home: "at home today",
};

/** What a practitioner asks before any swap. Clinical rules, "Is a swap the right answer?". */
export const FIRST_QUESTIONS: Readonly<Record<SwapReason, string>> = {
  back: "Any numbness, weakness or pain down the leg, or a change of bladder or saddle? Then stop: no swap, see Screen.",
  knee: "Sudden or sharp, a pop or giving way? Then stop. Came on slowly: try once with 30 % less load or 20° less range.",
  swollen: "Measure it. A warm, red or suddenly large knee is a warning sign: see Screen.",
  groin: "After a hip replacement a new groin pain is a warning sign: see Screen.",
  tendon: "Came on slowly? Try once with 30 % less load or 20° less range.",
  pressure: "Above the stop values, or with symptoms? Then no training: see Screen.",
  tired: "Feverish, or worse after every effort? Then no training today.",
  taken: "Free in five minutes, or can the order change? Change the order first.",
  home: "Is there a rail, a chair, a strap, a step?",
};

const TERMS: Readonly<Record<Extract<SwapTerm, string>, string>> = {
  as_finely: "loads as finely",
  chain: "same kind of chain",
  demanding: "as demanding",
  family: "same family",
  back_spared: "the back is supported or carries nothing",
  as_it_is: "nothing to change",
  hold: "a hold, which sore joints take better",
  turns_trunk: "turns the trunk",
  hardly_loads: "hardly loads the allowed arc",
};

/** What speaks for a stand-in or against it, in one line. */
export const swapBecause = (terms: readonly SwapTerm[]): string =>
  terms
    .map((t) =>
      typeof t === "string" ? TERMS[t] : `works the same muscles (${Math.round(t.alike * 100)} % alike)`,
    )
    .join("; ");

/** How the dose carries over. */
export const CARRY_OVER: Readonly<Record<CarryOver, string>> = {
  sets: "same number of hard sets, same repetitions in reserve",
  kilograms: "kilograms do not carry over: find the load in two light sets",
  ten_to_holds: "one set of ten becomes four to five holds of 10 to 30 s",
  light_reps: "15 to 25 repetitions, three or more in reserve",
  one_leg: "one leg: start at 40 % of the two-leg load, not half",
  half: "half the sets, nothing to failure",
  no_count: "this session counts neither for nor against progress",
};
