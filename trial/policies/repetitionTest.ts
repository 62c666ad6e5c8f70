import { STATION_SD } from "@/core/capacity/learn";
import type { GymMachine } from "@/core/selection/setUp/machineFor";
import { testStation } from "@/core/selection/setUp/testStation";
import type { JudgedLine, ScoreContext } from "@/core/sheet/judge/judgeScore";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { repetitionsAt, setOf } from "../body";
import { dayOn, type RepetitionTest } from "../client";
import { lift, type OnDay } from "../visit";
import { loadsByFeel } from "./byFeel";

/** A load is sought that allows so many, and the set ends with so many left. */
const SOUGHT_REPS = 8;
const LEFT = 2;
const MOST_REPS = 20;
/** Never further above what bounds the first load. */
const MOST_TIMES_OPEN = 1.5;
/** What nothing is known of begins far below what it is. */
const MOST_TIMES_FELT = 4;

/** The two-minute test of a line's machine, as the draft asks for it; null where nothing is set there. */
export function testOf(
  on: OnDay,
  j: JudgedLine,
  kept: KeptLine,
  context: ScoreContext,
): RepetitionTest | null {
  const machine = context.sheet.machines.find((m: GymMachine) => m.id === j.machineId);
  const twoLegs = j.line.legs === "together";
  const found = machine && testStation(machine, twoLegs, context.sheet.body, context.sheet.strength);
  const byFeel = loadsByFeel(j, context);
  const loads = byFeel ?? (j.load?.setting?.loads ?? []).map((l) => l.load);
  if (!found || !kept.station || loads.length === 0 || j.load?.setting?.isHelp) return null;
  const { station, direction } = found;
  const asSet: KeptLine = { ...kept, station: { ...kept.station, ...station, angles: [...station.angles] } };
  const most = (byFeel ? MOST_TIMES_FELT : MOST_TIMES_OPEN) * (j.load?.open?.most ?? 0);
  const can = (kg: number) => repetitionsAt(lift(on, asSet, kg, 1, 0).ratio) * station.repetitionsFactor;
  const fits = loads.filter((kg) => kg <= most + 1e-6 && can(kg) >= SOUGHT_REPS);
  const kg = fits.at(-1);
  if (kg === undefined) return null;
  const reps = Math.max(1, Math.min(MOST_REPS, Math.floor(can(kg)) - LEFT));
  const set = setOf(on.body, on.chance, lift(on, asSet, kg, 1, 0).ratio, reps, station.repetitionsFactor);
  return {
    direction,
    event: {
      ...{
        kind: "sets",
        on: dayOn(on.day),
        id: `test ${on.day} ${station.id}`,
        station,
        stationSd: STATION_SD,
      },
      sets: [{ loadKg: kg, reps: set.reps, reserve: set.said, ended: set.hasFailed ? "muscle" : "planned" }],
      isTrusted: true,
      doneKg: kg,
    },
  };
}
