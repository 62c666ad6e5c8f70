import { CALIBRATED_SD, learn, STATION_SD } from "../../capacity/learn";
import { underAid } from "../../selection/setUp/aid";
import { type KnownStrength, stationKnown } from "../../selection/setUp/strengthKnown";
import { keptStationId } from "../../sheet/line/keptLine";
import { capacityEvents, type LearnFrom, type LineOfVisit } from "./capacityEvents";

const FROM: LearnFrom = { side: "left", isStrict: false, k: 1, machines: new Map(), confirmed: new Set() };
const STATION = {
  family: "seated_press",
  legs: "one",
  direction: "extension" as const,
  angles: [{ bareNm: 8, perKgNm: 2, shape: 1 }],
  eta: 1,
  isOwn: false,
  repetitionsFactor: 1,
};
const planned = (loadKg: number, role: "ramp" | "work" = "work"): LineOfVisit["kept"]["sets"][number] => ({
  role,
  workS: 40,
  tensionS: 40,
  restS: 90,
  reps: 8,
  holds: null,
  loadShare: 1,
  reserve: 2,
  loadKg,
  how: null,
});
const done = (setNo: number, loadKg: number, over: Partial<LineOfVisit["records"][number]> = {}) => ({
  leg: "left" as const,
  setNo,
  loadKg,
  reps: 8,
  reserve: 2,
  felt: null,
  early: null,
  workedS: 40,
  pain: 0,
  worn: "none" as const,
  help: "none" as const,
  ...over,
});
const line = (
  sets: LineOfVisit["kept"]["sets"],
  records: LineOfVisit["records"],
  kept: Partial<LineOfVisit["kept"]> = {},
): LineOfVisit => ({
  visitId: "v",
  on: "2026-01-05",
  savedOn: "2026-01-03",
  kept: { station: STATION, machineId: "m1", sets, scheme: undefined, offers: null, ...kept },
  records,
});
const setsOf = (l: LineOfVisit, from = FROM) => capacityEvents([l], from).extension[0];

test("who is new to training is off by a repetition more in the first visits, and no longer (Background)", () => {
  const visits = Array.from({ length: 3 }, (_, i) => ({
    ...line([planned(40)], [done(1, 40)]),
    visitId: `v${i}`,
    on: `2026-01-0${5 + i}`,
  }));
  const told = (noviceVisits?: number) =>
    capacityEvents(visits, { ...FROM, ...(noviceVisits !== undefined && { noviceVisits }) }).extension;
  const isNovice = (all: ReturnType<typeof told>) =>
    all.map((e) => e.kind === "sets" && (e.sets[0]?.isNovice ?? false));
  expect(isNovice(told(2))).toEqual([true, true, false]);
  expect(isNovice(told())).toEqual([false, false, false]);
  const sd = (all: ReturnType<typeof told>) =>
    learn({ peakNm: 60, sd: 0.3 }, all.slice(0, 1), "2026-01-09").peak.sd;
  expect(sd(told(2))).toBeGreaterThan(sd(told()));
});

test("the hardest load done as planned counts: no ramp, nothing cut short, not with two less left than aimed at", () => {
  const sets = [planned(20, "ramp"), planned(40), planned(50), planned(60)];
  const records = [
    done(1, 20),
    done(2, 40),
    done(3, 50, { reserve: 0 }),
    done(4, 60, { early: "pain" as LineOfVisit["records"][number]["early"] }),
  ];
  expect(setsOf(line(sets, records))).toMatchObject({
    doneKg: 40,
    station: { id: keptStationId("m1", STATION) },
  });
  // a warm-up alone says nothing
  expect(setsOf(line([planned(20, "ramp")], [done(1, 20)]))).toBeUndefined();
});

test("what lies a tenth of demand above what was planned or offered waits for somebody's word", () => {
  const trusts = (loadKg: number, kept = {}) =>
    (setsOf(line([planned(40)], [done(1, loadKg)], kept)) as { isTrusted: boolean }).isTrusted;
  expect(trusts(44)).toBe(true);
  expect(trusts(45)).toBe(false);
  const offers = {
    reserve: 2,
    least: 6,
    most: 12,
    care: "low" as const,
    loads: [{ loadKg: 50, how: "50 kg" }],
  };
  expect(trusts(45, { offers })).toBe(true);
});

test("a machine that was calibrated is doubted less; another leg's sets say nothing of this one", () => {
  const one = line([planned(40)], [done(1, 40)]);
  expect(setsOf(one)).toMatchObject({ stationSd: STATION_SD });
  const past = (calibratedOn: string[], changedOn: string[] = []): LearnFrom => ({
    ...FROM,
    machines: new Map([["m1", { calibratedOn, changedOn }]]),
  });
  expect(setsOf(one, past(["2026-01-03"]))).toMatchObject({ stationSd: CALIBRATED_SD });
  expect(setsOf(one, { ...FROM, side: "right" })).toBeUndefined();
});

test("sets on a machine before it was changed or calibrated are those of an earlier machine, and still speak of the leg (L1)", () => {
  const one = line([planned(40)], [done(1, 40)]);
  const idWith = (calibratedOn: string[], changedOn: string[]) => {
    const machines = new Map([["m1", { calibratedOn, changedOn }]]);
    const found = setsOf(one, { ...FROM, machines });
    return found?.kind === "sets" ? found.station.id : null;
  };
  const now = keptStationId("m1", STATION);
  // done on the day of the change or after it, planned on the day of the calibration or after it: the machine as it is
  expect(idWith(["2026-01-03"], ["2026-01-05", "2025-12-01"])).toBe(now);
  const [changed, both] = [idWith([], ["2026-01-06"]), idWith(["2026-01-04"], ["2026-01-06"])];
  expect(new Set([now, changed, both]).size).toBe(3);
  const [before, after] = [one, { ...one, visitId: "w", on: "2026-01-09", savedOn: "2026-01-08" }];
  const machines = new Map([["m1", { calibratedOn: [], changedOn: ["2026-01-07"] }]]);
  const { extension } = capacityEvents([before, after], { ...FROM, machines });
  const learnt = learn({ peakNm: 60, sd: 0.3 }, extension, "2026-01-10");
  expect(Object.values(learnt.stations).map((s) => s.visits)).toEqual([1, 1]);
  expect(learnt.moved).toHaveLength(2);
});

test("holds are one a line and visit; with joint pain above green they say nothing", () => {
  const holds = {
    kind: "holds" as const,
    sets: 1,
    reps: 4,
    holdS: 30,
    restS: 60,
    setRestS: 0,
  } as LineOfVisit["kept"]["scheme"];
  const held = (pain: number) =>
    setsOf(
      line([planned(40)], [done(1, 40, { reps: null, reserve: null, felt: 5, pain })], { scheme: holds }),
    );
  expect(held(2)).toMatchObject({ kind: "holds", gaveOut: false });
  expect(held(3)).toBeUndefined();
});

describe("what was lifted with something worn or held (Aid 1)", () => {
  const wrapped = { worn: "tight_wrap" as const };
  const of = (records: LineOfVisit["records"]) =>
    capacityEvents(
      [
        line(
          records.map(() => planned(60)),
          records,
        ),
      ],
      FROM,
    ).extension.flatMap((e) => (e.kind === "sets" ? [e] : []));

  test("is another station that speaks for itself alone; a sleeve carries nothing", () => {
    const [bare, wrap] = of([done(1, 50), done(2, 60, wrapped)]);
    expect(bare?.station).toMatchObject({ isOwn: false });
    expect(wrap?.station).toMatchObject({ id: `${bare?.station.id}+tight_wrap`, isOwn: true });
    expect(wrap?.stationSd).toBeGreaterThan(bare?.stationSd ?? 1);
    expect([bare?.sets.map((s) => s.loadKg), wrap?.sets.map((s) => s.loadKg)]).toEqual([[50], [60]]);
    expect(of([done(1, 50, { worn: "sleeve" })]).map((e) => e.station.id)).toEqual([bare?.station.id]);
    expect(of([done(1, 50, { ...wrapped, help: "one_hand" })])[0]?.station.id).toBe(
      `${bare?.station.id}+tight_wrap+one_hand`,
    );
  });

  test("moves nothing of what the leg is believed to do without, and is what is asked where it is planned", () => {
    const prior = { peakNm: 100, sd: 0.2 };
    const events = of([done(1, 120, wrapped), done(2, 120, wrapped)]).map((e) => ({ ...e, isTrusted: true }));
    const learnt = learn(prior, events, events[0]?.on ?? "");
    expect(Math.exp(learnt.peak.mean)).toBeCloseTo(100, 6);
    // nobody was tested by it: the caps of an untested leg stay
    expect(learnt.from).toBe("prior");
    const known = { extension: learnt, flexion: learnt, quiet: {} } as unknown as KnownStrength;
    const [id = ""] = Object.keys(learnt.stations);
    const plainId = id.replace("+tight_wrap", "");
    expect(stationKnown(known, "extension", plainId)).toBeNull();
    expect(stationKnown(underAid(known, "tight_wrap"), "extension", plainId)?.shown.mean).toBeGreaterThan(
      learnt.peak.mean,
    );
    expect(stationKnown(underAid(known, "one_hand"), "extension", plainId)).toBeNull();
  });
});
