import { mostOf } from "../bounds/inForce";
import type { Decision } from "../progression/decide";
import { ladder } from "../progression/ladder";
import type { Irritability, School } from "../progression/painRule";
import type { Action } from "../progression/safetyRules";
import { stepSizes } from "../progression/stepSizes";
import type { Remedy } from "../rules/faults/faults";
import type { JudgedLine } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import type { ProgressStep } from "../sheet/schemes/contract";
import { progressed } from "../sheet/schemes/scheme";
import { type LineChange, type NextLine, stays, withScheme } from "./lineChange";
import { isOpen, judgedOf, type NextFacts, pinned } from "./lineNow";
import { fewerSets, settable, stepBack } from "./stepBack";
import { stepUp } from "./stepUp";
import { underToday } from "./underToday";

/** Rules that say that every set left far more than was aimed at. */
const EASY_RULES = ["P8", "P9"];
const WITHIN_RULE = "P4";

/**
 * What a decision makes of a line: exactly one thing moves, in the named direction, and everything else stays to the digit;
 * a step back may take off sets too. Dosing rules D4, E4, E6, E7, rules P1 to P4.
 */
export function nextLine(
  line: ScoreLine,
  action: Action,
  decision: Pick<Decision, "rules" | "change"> | null,
  facts: NextFacts,
): NextLine {
  switch (action) {
    case "STOP_REFER":
      return { line: null, changes: [{ code: "stop" }] };
    case "HOLD": {
      const same =
        facts.setKg == null && facts.usedKg === null ? line : underToday(pinned(line, facts), facts.context);
      return remedied(same, decision?.change.remedy);
    }
    case "REGRESS": {
      const now = pinned(line, facts);
      if (decision?.change.remedy === "less_arc") return settable(lessRange(now, facts), now, facts);
      return settable(decision?.change.rangeDeg ? lessRange(now, facts) : back(now, facts), now, facts);
    }
    case "PROGRESS": {
      const more = decision?.rules.includes(WITHIN_RULE) ? Number(decision.change.reps ?? 1) : 0;
      return up(
        pinned(line, facts),
        facts,
        Math.max(0, more),
        decision?.rules.some((r) => EASY_RULES.includes(r)) ?? false,
      );
    }
  }
}

const SLOWER_BY_S = 1;
const SLOWEST_S = 5;

/** What is tried about a fault and leaves load and arc as they are. Rule Seen 3. */
function remedied(line: ScoreLine, remedy: Remedy | undefined): NextLine {
  if (remedy === "cue" || remedy === "set_up") return stays(line, { code: remedy });
  if (remedy !== "slower" || !("tempo" in line.scheme)) return stays(line);
  const { lowerS } = line.scheme.tempo;
  const to = Math.min(SLOWEST_S, lowerS + SLOWER_BY_S);
  return to <= lowerS
    ? stays(line, { code: "cue" })
    : {
        line: withScheme(line, { tempo: { ...line.scheme.tempo, lowerS: to } }),
        changes: [{ code: "lowering", from: lowerS, to }],
      };
}

/** Schemes that climb by themselves: holds, stretches and carries have ways of their own. */
const HAS_OWN_WAY: ReadonlySet<string> = new Set(["holds", "stretch", "carry"]);

function up(line: ScoreLine, facts: NextFacts, more: number, isEasy: boolean): NextLine {
  if (!HAS_OWN_WAY.has(line.scheme.kind)) return stepUp(line, facts, { more, isEasy });
  const next = ownWay(line, facts, more > 0 ? "more" : "up");
  if (next !== "end") return next;
  return line.scheme.kind === "holds" ? moreHolds(line, facts) : stays(line, "at_goal");
}

function back(line: ScoreLine, facts: NextFacts): NextLine {
  if (!HAS_OWN_WAY.has(line.scheme.kind)) return stepBack(line, facts);
  const next = ownWay(line, facts, "down");
  return fewerSets(
    next === "end" ? stays(line, "at_least") : next,
    stepSizes(facts.school, facts.irritability),
  );
}

const MOST_HOLDS = 8;

/** A hold at its last rung, as long and as hard as it goes: one more of it, then it has done its work. Rule P4. */
function moreHolds(line: ScoreLine, facts: NextFacts): NextLine {
  if (line.scheme.kind !== "holds" || line.scheme.reps >= MOST_HOLDS) return stays(line, "at_goal");
  const { reps } = line.scheme;
  const next = withScheme(line, { reps: reps + 1 });
  return isOpen(next, facts)
    ? { line: next, changes: [{ code: "holds", from: reps, to: reps + 1 }] }
    : stays(line, "at_goal");
}

/** The step of a scheme that knows its own way; "end" where it is at the end of it. */
function ownWay(line: ScoreLine, facts: NextFacts, to: ProgressStep["to"]): NextLine | "end" {
  const judged = judgedOf(line, facts);
  if (!judged) return stays(line);
  const { limits } = facts.context.sheet;
  const reps = "reps" in line.scheme ? line.scheme.reps : 1;
  const made = progressed(line.scheme, {
    to,
    nextDeg: to === "more" ? null : nextRung(line, judged, to, facts),
    mostS: mostOf(limits, "hold_seconds"),
    most: { felt: mostOf(limits, "felt_effort"), percent: mostOf(limits, "hold_effort") },
    moreReps: 0,
    reps: { least: reps, most: reps },
  });
  if (made === null || made === "load") return "end";
  return made === line.scheme
    ? stays(line, "full")
    : { line: { ...line, scheme: made }, changes: changesOf(line.scheme, made) };
}

/** Rungs of a hold that today's open arc leaves. */
export function rungsOf(
  line: Pick<ScoreLine, "ladder" | "scheme">,
  arc: { fromDeg: number; toDeg: number } | null,
  who: { school: School; irritability: Irritability },
): number[] {
  if (line.scheme.kind !== "holds" || line.ladder?.of !== "angle") return [];
  const { fromDeg, toDeg } = line.ladder;
  return ladder({ fromDeg, toDeg, ...who, blockedDeg: [] }).filter(
    (deg) => !arc || (deg >= arc.fromDeg - 1e-9 && deg <= arc.toDeg + 1e-9),
  );
}

function nextRung(line: ScoreLine, judged: JudgedLine, to: "up" | "down", facts: NextFacts): number | null {
  const { scheme, ladder: l } = line;
  if (scheme.kind !== "holds" || scheme.atDeg === null || l?.of !== "angle") return null;
  const now = scheme.atDeg;
  const direction = (l.toDeg >= l.fromDeg ? 1 : -1) * (to === "up" ? 1 : -1);
  return (
    rungsOf(line, judged.open?.arc ?? null, facts)
      .filter((deg) => direction * (deg - now) > 0.5)
      .sort((a, b) => direction * (a - b))[0] ?? null
  );
}

/** Only the range was short: a step less of it (corrections K8); where there is none to give, a lighter load. */
function lessRange(line: ScoreLine, facts: NextFacts): NextLine {
  const sizes = stepSizes(facts.school, facts.irritability);
  if (line.scheme.kind === "holds") return back(line, facts);
  const arc = judgedOf(line, facts)?.row?.arc;
  const now =
    line.window ??
    (arc ? { fromDeg: Math.ceil(arc.fromDeg / 5) * 5, toDeg: Math.floor(arc.toDeg / 5) * 5 } : null);
  const toDeg = now && now.toDeg - sizes.angleDeg;
  if (!now || toDeg === null || toDeg - now.fromDeg < LEAST_RANGE_DEG) return back(line, facts);
  const rounded = Math.floor(toDeg / 5) * 5;
  return {
    line: { ...line, window: { fromDeg: now.fromDeg, toDeg: rounded } },
    changes: [{ code: "range", fromDeg: now.toDeg, toDeg: rounded }],
  };
}
const LEAST_RANGE_DEG = 15;

/** What differs between two forms of one scheme. */
function changesOf(a: ScoreLine["scheme"], b: ScoreLine["scheme"]): LineChange[] {
  if (a.kind === "holds" && b.kind === "holds") {
    if (a.atDeg !== b.atDeg && a.atDeg !== null && b.atDeg !== null)
      return [{ code: "rung", from: a.atDeg, to: b.atDeg }];
    if (a.holdS !== b.holdS) return [{ code: "seconds", from: a.holdS, to: b.holdS }];
    if (a.effort.kind === "felt" && b.effort.kind === "felt")
      return [{ code: "felt", from: a.effort.felt, to: b.effort.felt }];
    if (a.effort.kind === "percent" && b.effort.kind === "percent")
      return [{ code: "percent", from: a.effort.percent, to: b.effort.percent }];
  }
  if (a.kind === "carry" && b.kind === "carry")
    return a.distanceM !== b.distanceM
      ? [{ code: "distance", from: a.distanceM, to: b.distanceM }]
      : [{ code: "carried", from: a.carriedKg, to: b.carriedKg }];
  if (a.kind === "stretch" && b.kind === "stretch")
    return [{ code: "tolerated", from: a.toleratedS, to: b.toleratedS }];
  return [{ code: "same" }];
}
