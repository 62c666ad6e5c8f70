import { leastOf, mostOf } from "../../bounds/inForce";
import type { ClientSchemeFacts } from "../../sheet/judge/schemeFacts";
import type { WeakGroup } from "../draftFacts";
import { type DraftLine, has, withFeltAtMost, withReserve, withSets } from "../draftLine";
import { addLine, type Change, drop, isClass, onEach, swap } from "../edit";
import { withGap } from "./weakGroups";

/** How easily the joint is stirred up decides how much is done and how hard. */
export function forIrritability(
  lines: DraftLine[],
  c: Change,
  irritability: ClientSchemeFacts["irritability"],
): DraftLine[] {
  if (irritability === "high") {
    c.note({ code: "drafts.easily_stirred" });
    return lines.map((l) =>
      withFeltAtMost(
        withReserve(
          withSets(l, (now) => Math.min(2, now)),
          (now) => Math.max(4, now),
        ),
        5,
      ),
    );
  }
  if (irritability === "moderate")
    return lines.map((l) =>
      withReserve(
        withSets(l, (now) => Math.min(3, now)),
        (now) => Math.max(3, now),
      ),
    );
  return lines.map((l) => (l.role === "warm_up" ? withSets(l, () => 1) : l));
}

const EXTENSIONS = ["kext_single", "kext_restricted", "kext_full", "kext_iso_machine", "kext_iso_band"];

const WEAK: Readonly<Record<WeakGroup, string>> = {
  quadriceps: "drafts.weak_thigh",
  hamstrings: "drafts.weak_back_of_thigh",
  hip_abductors: "drafts.weak_outer_hip",
  calf: "drafts.weak_calf",
};
const GAP: Readonly<Record<WeakGroup, string>> = {
  quadriceps: "drafts.gap_thigh",
  hamstrings: "drafts.gap_back_of_thigh",
  hip_abductors: "drafts.gap_outer_hip",
  calf: "drafts.gap_calf",
};

/** The weakest measured group, and what the largest gap of a goal stands on, gets one set or line more, paid for with support sets. */
export function forWeakness(lines: DraftLine[], c: Change): DraftLine[] {
  let made = lines;
  const weak = withGap(c.facts.weak, c.facts.gap);
  // measured as weaker than the other leg, or what a goal asks most stands on it
  const whyOf = (group: WeakGroup): string => (c.facts.weak.includes(group) ? WEAK : GAP)[group];
  if (weak.includes("quadriceps")) {
    const why = whyOf("quadriceps");
    const stands = made.find(
      (l) => l.role !== "warm_up" && EXTENSIONS.includes(l.exerciseId) && c.fits(l.exerciseId),
    );
    const adds = ["kext_single", "kext_iso_machine", "lp_single"].find((id) => c.fits(id));
    made = stands
      ? onEach(
          made,
          (l) => l === stands,
          (l) => ({
            ...withSets(l, (now) => (l.scheme.kind === "holds" ? now : Math.min(4, now + 1))),
            why,
            isAsked: true,
          }),
        )
      : adds
        ? addLine(made, c, adds, { why, at: "main" })
        : made;
    made = onEach(
      made,
      (l) => l.role === "support" && !l.isAsked,
      (l) => withSets(l, () => 1),
    );
  }
  if (weak.includes("hamstrings")) {
    const adds = ["curl_seated", "heel_dig_iso", "bridge_two"].find((id) => c.fits(id));
    if (adds) made = addLine(made, c, adds, { why: whyOf("hamstrings"), at: "main" });
  }
  if (weak.includes("hip_abductors")) {
    const adds = ["hip_abd", "side_step_band", "slr_side"].find((id) => c.fits(id));
    if (adds) made = addLine(made, c, adds, { why: whyOf("hip_abductors"), at: "first", role: "main" });
  }
  if (weak.includes("calf"))
    made = onEach(
      addLine(made, c, "calf_standing", { why: whyOf("calf"), at: "support", role: "calf" }),
      (l) => l.role === "calf",
      (l) => withSets(l, () => 3),
    );
  return made;
}

const RISES = ["chair_rise_hands", "sit_to_stand", "chair_rise_staggered"];
const BALANCES = ["stand_balance", "stand_one_leg", "march_standing"];
const SEATED = "drafts.seated_unsure";
const HELD_WITHOUT_PRESSURE_S = 10;

/** Over 75, or rising from a chair below the norm: short, slow, safe. */
export function forYears(lines: DraftLine[], c: Change): DraftLine[] {
  if (!c.facts.isFrail) return lines;
  c.note({ code: "drafts.years_ask" });
  let made = has(lines, ...RISES)
    ? onEach(
        lines,
        (l) => RISES.includes(l.exerciseId),
        (l) => ({ ...l, isAsked: true }),
      )
    : addLine(lines, c, "chair_rise_hands", {
        why: "drafts.independence",
        at: "first",
      });
  if (!has(made, ...BALANCES))
    made = addLine(made, c, "stand_balance", { why: "drafts.against_falls", at: "last" });
  made = swap(made, c, "split_squat", "step_up_low", "drafts.low_step_rail");
  made = onEach(
    swap(made, c, "calf_standing", "calf_seated", SEATED),
    (l) => l.why === SEATED,
    (l) => ({ ...l, isAsked: true }),
  );
  return made.map((l) =>
    slower(
      withSets(l, (now) => Math.min(2, now)),
      c,
    ),
  );
}

function slower(l: DraftLine, c: Change): DraftLine {
  const { scheme } = l;
  const rested = "restS" in scheme ? { ...scheme, restS: Math.min(600, scheme.restS + 30) } : scheme;
  const isLong =
    rested.kind === "holds" &&
    !c.facts.pressureIsKnown &&
    rested.holdS > HELD_WITHOUT_PRESSURE_S &&
    isClass(c, "open_knee_extension", "static_quad")(l);
  return {
    ...l,
    scheme: (isLong ? { ...rested, holdS: HELD_WITHOUT_PRESSURE_S } : rested) as DraftLine["scheme"],
  };
}

/** Reserve is misjudged by one or more at first, and soreness on day two costs visits. */
export function forExperience(lines: DraftLine[], c: Change, isNovice: boolean): DraftLine[] {
  const first = c.facts.isFirstVisit
    ? lines.map((l) => withSets(l, (now) => (l.scheme.kind === "holds" ? now : Math.min(2, now))))
    : lines;
  if (isNovice)
    return swap(first, c, "split_squat", "step_up", "drafts.easier_to_learn").map((l) =>
      withReserve(l, (now) => now + 1),
    );
  return first;
}

/** Above this a hold is work and no warm-up [own]. */
const WARM_UP_FELT = 5;

/** No reserve, effort or hold is drafted outside what is in force, and what is carried is light to begin with. */
export function insideEffort(lines: DraftLine[], c: Change): DraftLine[] {
  const least = leastOf(c.limits, "reserve");
  const mostFelt = mostOf(c.limits, "felt_effort");
  const mostHoldS = c.limits.hold_seconds?.high ?? null;
  return lines.map((l) => {
    const bounded = withFeltAtMost(
      withReserve(l, (now) => Math.max(least, now)),
      l.role === "warm_up" ? Math.min(WARM_UP_FELT, mostFelt) : mostFelt,
    );
    const { scheme } = bounded;
    if (scheme.kind === "holds" && mostHoldS !== null && scheme.holdS > mostHoldS)
      return { ...bounded, scheme: { ...scheme, holdS: mostHoldS } };
    if (scheme.kind === "carry")
      return {
        ...bounded,
        scheme: { ...scheme, carriedKg: carriedKg(scheme.carriedKg, c.facts.bodyMassKg) },
      };
    return bounded;
  });
}

/** A twentieth of the body in each hand, or less. */
const carriedKg = (written: number, bodyMassKg: number): number =>
  Math.min(written, Math.floor(bodyMassKg * 0.05 * 2) / 2);

/** Away from home and therapist: nobody looks, and machines are not locked. */
export function forPlace(lines: DraftLine[], c: Change, place: "gym" | "other_gym" | "home"): DraftLine[] {
  if (place !== "other_gym") return lines;
  c.note({ code: "drafts.other_gym" });
  const unlocked = drop(lines, c, ["lp_2up1down"], "drafts.eyes_and_stops");
  const moves = unlocked.filter((l) => l.exerciseId !== "kext_iso_machine");
  // one moving extension is enough; a hold on a machine that is not locked is none
  return moves.some(isClass(c, "open_knee_extension"))
    ? moves
    : swap(unlocked, c, "kext_iso_machine", "kext_single", "drafts.not_locked");
}
