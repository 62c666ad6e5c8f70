import { loadFor } from "../testdata/capacity/loadFor";
import reference from "../testdata/capacity/strength.reference.json";
import { type Belief, begin, drift, type Seen } from "./filter";
import { nextSet } from "./nextSet";
import { type DoneSet, seeDaily, seeHolds, seeTrial, seeVisit } from "./observe";
import { type Care, peakOf, shows, zOf } from "./shows";
import type { Station } from "./station";

/** As the reference has its stations and steps. */
type Any = Record<string, unknown>;
const LOADS = Array.from({ length: 60 }, (_, i) => 2.5 + 2.5 * i);
const NOT_SEEN: Seen = { used: true, isOdd: false };

const stationOf = (s: { id: string; eta: number; own?: boolean; angles: Station["angles"] }): Station => ({
  id: s.id,
  eta: s.eta,
  angles: s.angles,
  isOwn: s.own ?? false,
  repetitionsFactor: 1,
});

function did(
  b: Belief,
  what: string,
  arg: Any,
  station: Station | undefined,
): { belief: Belief; seen: Seen } {
  switch (what) {
    case "drift":
      return {
        belief: drift(b, arg.days as number, arg.daysIdle as number, arg.bedDays as number | undefined),
        seen: NOT_SEEN,
      };
    case "trial":
      return seeTrial(b, arg as never);
    case "holds":
      return seeHolds(b, arg as never);
    case "daily":
      return seeDaily(b, arg as never);
    default: {
      const sets = arg.sets as unknown as (DoneSet & { m?: number })[];
      const m = sets[0]?.m ?? 1;
      return seeVisit(
        b,
        { ...(station as Station), repetitionsFactor: m },
        sets,
        (arg.isTrusted as boolean | undefined) ?? true,
      );
    }
  }
}

const TO = 9;

test.each(reference.cases.map((c) => [c.name, c] as const))("as worked out elsewhere: %s", (_, c) => {
  const stations = c.stations.map((s) => stationOf(s as never));
  let belief = begin(
    c.prior,
    stations.map((s) => ({ id: s.id, sd: 0.2, isOwn: s.isOwn })),
  );
  for (const step of c.seen) {
    const station = stations.find((s) => s.id === step.station);
    const { belief: next, seen } = did(belief, step.what, step.arg as never, station);
    belief = next;
    expect([seen.used, seen.isOdd]).toEqual([step.used, step.isOdd]);
    const peak = peakOf(belief);
    expect(Math.exp(peak.mean)).toBeCloseTo(step.peakNm, TO);
    expect(peak.sd).toBeCloseTo(step.peakSd, TO);
    for (const wanted of step.stations) {
      const station = stations.find((s) => s.id === wanted.id) as Station;
      const shown = shows(belief, station.id);
      expect(shown.mean).toBeCloseTo(wanted.mean, TO);
      expect(shown.sd).toBeCloseTo(wanted.sd, TO);
      expect(zOf(shown.sd, "low")).toBe(wanted.z);
      expect(loadFor(shown, station, LOADS, { reps: 8, reserve: 2 }, wanted.z)).toBe(wanted.loadFor8with2);
    }
  }
});

test("the next set of a visit, as worked out elsewhere", () => {
  const { station, aim, ladder, cases } = reference.inVisit;
  for (const { set, care, next } of cases) {
    const found = nextSet(
      stationOf(station as never),
      {
        ...set,
        plannedReps: (set as { planned?: number }).planned ?? set.reps,
        ended: set.ended as "planned" | "muscle",
      },
      {
        reserve: aim,
        ladder: { least: ladder[0] as number, most: ladder[1] as number },
        care: care as Care,
        loads: LOADS,
      },
    );
    expect(found).toEqual(next);
  }
});
