import type { Stage } from "../../rules/conditions";
import { needsOf } from "../../rules/exerciseNeeds";
import { LEAST_WINDOW_DEG } from "../../sheet/line/scoreInput";
import type { Scheme } from "../../sheet/schemes/scheme";
import { LIGHT_RESERVE } from "../draftData";
import { bentAtMost, type DraftLine } from "../draftLine";
import { addLine, type Change, isClass, onEach, swap } from "../edit";
import { feetStayMid } from "../person/painRules";

/** What one answer to a question of schools does to a draft; what hurts and what is allowed come after it and win. */
type Rule = (lines: DraftLine[], c: Change) => DraftLine[];

const WHY = "drafts.by_school";
const STRONG: readonly Stage[] = ["strong", "keep"];
const isStrong = (c: Change): boolean => STRONG.includes(c.facts.stage);
const isTask = (l: DraftLine): boolean => l.role === "task";

/** Each exercise for the first of its others that fits, the goal itself left as it is. */
const swaps =
  (pairs: readonly (readonly [string, readonly string[]])[]): Rule =>
  (lines, c) =>
    pairs.reduce((made, [from, to]) => {
      const other = to.find((id) => c.fits(id));
      const stays = made.some((l) => l.exerciseId === from && isTask(l));
      return other && !stays ? swap(made, c, from, other, WHY) : made;
    }, lines);

const isMoved = (l: DraftLine): boolean => l.scheme.kind !== "holds" && l.scheme.kind !== "stretch";

const isOnMachine = (c: Change, l: DraftLine): boolean => {
  const e = c.exercise(l.exerciseId);
  return e !== null && needsOf(e).needs.includes("machine");
};

/** So much of a bend is left to straighten under load [own]. */
const SHORT_OF_STRAIGHT_DEG = 10;
/** A knee past the toes begins about here in squats and steps on the whole foot [own]. */
const BEHIND_TOES_DEG = 60;
/** Cut later to what is open. */
const AS_DEEP_AS_OPEN_DEG = 140;
const HEAVY_REPS = 8;
const LIGHT_REPS = 25;

const straightFrom =
  (fromDeg: (now: number) => number): Rule =>
  (lines, c) =>
    onEach(
      lines,
      (l) => isMoved(l) && isClass(c, "closed_knee")(l) && isOnMachine(c, l),
      (l) => {
        const window = l.window ?? { fromDeg: 0, toDeg: AS_DEEP_AS_OPEN_DEG };
        const from = fromDeg(window.fromDeg);
        return window.toDeg - from >= LEAST_WINDOW_DEG ? { ...l, window: { ...window, fromDeg: from } } : l;
      },
    );

/** Lines of one kind in front of the other main ones, each in its order. */
const inFront =
  (is: (l: DraftLine) => boolean): ((lines: DraftLine[]) => DraftLine[]) =>
  (lines) => {
    const first = lines.findIndex((l) => l.role !== "warm_up");
    const moved = lines.filter((l, i) => i >= first && is(l));
    return [
      ...lines.slice(0, first),
      ...moved.map((l) => (l.role === "support" ? { ...l, role: "main" as const } : l)),
      ...lines.slice(first).filter((l) => !moved.includes(l)),
    ];
  };

const isMain = (l: DraftLine): boolean => l.role === "main" && isMoved(l);

/** Light and many in the place of a main line's sets: as many sets, near the end of what can be done. */
const lightOnes: Rule = (lines) =>
  onEach(
    lines,
    (l) => isMain(l) && l.scheme.kind === "straight",
    (l) => ({
      ...l,
      scheme: { kind: "light", sets: setsOf(l.scheme), reps: LIGHT_REPS, reserve: LIGHT_RESERVE, restS: 60 },
      why: WHY,
    }),
  );

const heavyOnes: Rule = (lines) =>
  lines.map((l) =>
    l.role === "main" && l.scheme.kind === "straight" && l.scheme.reps > HEAVY_REPS
      ? { ...l, scheme: { ...l.scheme, reps: HEAVY_REPS }, why: WHY }
      : l,
  );

/** The last of several sets of what moves one joint alone, one repetition nearer its end, where limits and gates allow it. */
const lastNearer: Rule = (lines, c) =>
  isStrong(c)
    ? onEach(lines, isClass(c, "open_knee_extension", "open_knee_flexion", "calf", "hip_open"), (l) =>
        l.scheme.kind === "straight" && l.scheme.sets > 1
          ? { ...l, scheme: { ...l.scheme, last: "nearer" }, why: WHY }
          : l,
      )
    : lines;

const setsOf = (s: Scheme): number => ("sets" in s ? s.sets : 1);

const ISO_FOR_MOVING = swaps([
  ["kext_full", ["kext_iso_machine", "wall_sit"]],
  ["kext_restricted", ["kext_iso_machine", "wall_sit"]],
  ["kext_single", ["kext_iso_machine", "wall_sit"]],
  ["kext_light_high_rep", ["kext_iso_machine", "wall_sit"]],
  ["kext_terminal_pulses", ["kext_iso_machine", "wall_sit"]],
  ["kext_ankle_weight", ["kext_iso_band", "wall_sit"]],
]);

/** By question and answer; the rules' own answer does nothing. */
export const SCHOOL_RULES: Readonly<Record<string, Readonly<Record<string, Rule>>>> = {
  d_foot_height: {
    view_1: (lines, c) => (feetStayMid(c) ? lines : swaps([["lp_mid_hip", ["lp_high_wide"]]])(lines, c)),
    view_2: swaps([["lp_high_wide", ["lp_mid_hip"]]]),
  },
  d_lockout: {
    view_1: straightFrom((now) => Math.max(now, SHORT_OF_STRAIGHT_DEG)),
    view_2: straightFrom(() => 0),
  },
  d_kext_bad: {
    view_1: ISO_FOR_MOVING,
    view_3: (lines, c) =>
      onEach(
        lines,
        (l) => isStrong(c) && isMoved(l) && isClass(c, "open_knee_extension")(l) && l.window !== null,
        (l) => ({ ...l, window: l.window && { ...l.window, fromDeg: 0 } }),
      ),
  },
  d_lunge_stationary_walking: {
    view_1: swaps([
      ["lunge_walking", ["split_squat"]],
      ["lunge_diagonal", ["split_squat"]],
    ]),
    view_2: (lines, c) =>
      isStrong(c) && !c.facts.painSites.includes("front_of_knee")
        ? swaps([["split_squat", ["lunge_walking"]]])(lines, c)
        : lines,
  },
  // the order's own notes know the same answers (OrderSchool)
  d_calves_order: { view_2: (lines, c) => inFront(isClass(c, "calf"))(lines) },
  d_ext_before_press: {
    view_1: (lines, c) => inFront((l) => isMain(l) && isClass(c, "open_knee_extension")(l))(lines),
    // light extension behind the press is work, no warm-up
    view_2: (lines, c) => {
      const is = (l: DraftLine) => l.role === "warm_up" && isClass(c, "open_knee_extension")(l);
      const behind = lines.filter(is).map((l) => ({ ...l, role: "main" as const, why: WHY }));
      const rest = lines.filter((l) => !is(l));
      const at = rest.findLastIndex((l) => l.role === "main") + 1;
      return [...rest.slice(0, at), ...behind, ...rest.slice(at)];
    },
  },
  d_knee_over_toe: {
    view_1: (lines, c) =>
      onEach(
        lines,
        (l) => isMoved(l) && isClass(c, "closed_knee")(l) && !isOnMachine(c, l),
        (l) =>
          bentAtMost(
            { ...l, window: l.window ?? { fromDeg: 0, toDeg: AS_DEEP_AS_OPEN_DEG } },
            BEHIND_TOES_DEG,
          ),
      ),
  },
  d_iso_first: {
    view_1: (lines, c) => {
      const held = ["kext_iso_machine", "kext_iso_band", "wall_sit", "quad_set"];
      if (lines.some((l) => l.scheme.kind === "holds" && held.includes(l.exerciseId)))
        return inFront((l) => held.includes(l.exerciseId))(lines);
      const id = held.find((x) => c.fits(x));
      return id ? addLine(lines, c, id, { why: WHY, at: "first", role: "main" }) : lines;
    },
    view_2: (lines, c) =>
      c.facts.stage === "protect" || c.facts.stage === "wake"
        ? lines
        : swaps([
            ["kext_iso_machine", ["kext_single", "kext_restricted"]],
            ["kext_iso_band", ["kext_ankle_weight"]],
            ["wall_sit", ["half_squat"]],
          ])(lines, c),
  },
  // not where a leg's nerve may be stretched with it
  d_hinge_toes: {
    view_1: (lines, c) => (c.facts.isOfTheBack ? lines : swaps([["hinge_two", ["hinge_stiff"]]])(lines, c)),
  },
  d_pelvis_machine: {
    view_3: swaps([["hip_abd", ["hip_abd_standing", "slr_side"]]]),
  },
  own_hard_repetitions: { many: lightOnes },
  own_one_leg: {
    always: swaps([
      ["lp_mid_hip", ["lp_single"]],
      ["lp_horizontal", ["lp_single"]],
      ["kext_full", ["kext_single"]],
      ["curl_seated", ["curl_single"]],
      ["curl_lying", ["curl_single"]],
      ["calf_standing", ["heel_raise_single"]],
      ["hinge_two", ["hinge_single"]],
    ]),
  },
  own_effort: { last_nearer: lastNearer },
  own_back_of_thigh: {
    first: (lines, c) => inFront(isClass(c, "open_knee_flexion", "closed_knee_flexion", "hip_hinge"))(lines),
  },
  "knee_oa.intensity": {
    low_high_rep: lightOnes,
    high: (lines, c) => (c.facts.stage === "build" ? heavyOnes(lines, c) : lines),
  },
  // hips first, the thigh held, until knee work is below the pain limit
  "pfp.first_target": {
    hip_first: (lines, c) => inFront(isClass(c, "hip_open"))(isStrong(c) ? lines : ISO_FOR_MOVING(lines, c)),
  },
  "extensor_tendinopathy.start": {
    decline_eccentric: swaps([
      ["split_squat", ["decline_squat_single"]],
      ["lp_single", ["decline_squat_single"]],
    ]),
  },
};

/** The draft under the answers that are in force. Rule K22. */
export function forSchools(lines: DraftLine[], c: Change): DraftLine[] {
  return Object.entries(c.facts.schools).reduce(
    (made, [id, option]) => SCHOOL_RULES[id]?.[option]?.(made, c) ?? made,
    lines,
  );
}
