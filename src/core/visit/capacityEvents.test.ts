import { CALIBRATED_SD, STATION_SD } from "../capacity/learn";
import { keptStationId } from "../sheet/line/keptLine";
import { capacityEvents, type LearnFrom, type LineOfVisit } from "./capacityEvents";

const FROM: LearnFrom = { side: "left", isStrict: false, k: 1, calibrated: new Set(), confirmed: new Set() };
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
  ...over,
});
const line = (
  sets: LineOfVisit["kept"]["sets"],
  records: LineOfVisit["records"],
  kept: Partial<LineOfVisit["kept"]> = {},
): LineOfVisit => ({
  visitId: "v",
  on: "2026-01-05",
  kept: { station: STATION, machineId: "m1", sets, scheme: undefined, offers: null, ...kept },
  records,
});
const setsOf = (l: LineOfVisit, from = FROM) => capacityEvents([l], from).extension[0];

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
  expect(setsOf(one, { ...FROM, calibrated: new Set(["m1"]) })).toMatchObject({ stationSd: CALIBRATED_SD });
  expect(setsOf(one, { ...FROM, side: "right" })).toBeUndefined();
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
