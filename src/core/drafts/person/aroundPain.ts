import { usualHoldDeg } from "../../sheet/line/holdAngle";
import { LEAST_WINDOW_DEG } from "../../sheet/line/scoreInput";
import { ANGLE_STEP_DEG } from "../../sheet/schemes/parts";
import { AROUND_PAIN_DEG, aroundPain, comesInto, painfulArcOf } from "../../strength/painfulArc";
import { saidWith } from "../../units/said";
import { type DraftLine, withReserve } from "../draftLine";
import { type Change, nameOf } from "../edit";

/** Where no window is left beside what hurts, load comes off: so many stay in reserve [own]. */
const EASED_RESERVE = 5;

/**
 * Windows are laid around the angles that hurt, the wider part first, and holds beside them; the goal itself stays as it is.
 * Where too little is left the line is eased. Rule K27.
 */
export function aroundWhatHurts(lines: DraftLine[], c: Change): DraftLine[] {
  return lines.map((l) => {
    const e = c.exercise(l.exerciseId);
    const painful = e && painfulArcOf(e.match.class, c.facts.painfulArcs);
    if (!e || !painful || l.role === "task" || l.scheme.kind === "stretch") return l;
    const whole = { fromDeg: e.knee_angle_usable_deg.min, toDeg: e.knee_angle_usable_deg.max };
    const say = (code: "drafts.around_pain" | "drafts.eased_in_pain") =>
      c.note(saidWith(code, { name: nameOf(c, e.id), ...painful }));
    if (l.scheme.kind === "holds") {
      const atDeg = l.scheme.atDeg ?? usualHoldDeg(e, { ...whole, cuts: [] });
      if (atDeg === null || !comesInto({ fromDeg: atDeg, toDeg: atDeg }, painful)) return l;
      const step = (deg: number, round: (n: number) => number) =>
        round(deg / ANGLE_STEP_DEG) * ANGLE_STEP_DEG;
      const beside = [
        step(painful.fromDeg - AROUND_PAIN_DEG, Math.floor),
        step(painful.toDeg + AROUND_PAIN_DEG, Math.ceil),
      ]
        .filter((deg) => deg >= whole.fromDeg && deg <= whole.toDeg)
        .sort((a, b) => Math.abs(a - atDeg) - Math.abs(b - atDeg))[0];
      if (beside === undefined) return l;
      say("drafts.around_pain");
      return { ...l, scheme: { ...l.scheme, atDeg: beside } };
    }
    const span = l.window ?? whole;
    if (!comesInto(span, painful)) return l;
    const [window] = aroundPain(span, painful, { stepDeg: ANGLE_STEP_DEG, leastDeg: LEAST_WINDOW_DEG });
    say(window ? "drafts.around_pain" : "drafts.eased_in_pain");
    return window ? { ...l, window } : withReserve(l, (now) => Math.max(EASED_RESERVE, now));
  });
}
