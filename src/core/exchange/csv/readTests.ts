import { freeTest, type MeasurementInput } from "../../measure/measurementInput";
import {
  isPlain,
  MEASUREMENT_KIND_IDS,
  type MeasuredWith,
  type MeasurementKind,
  measurementKind,
} from "../../measure/measurementKinds";
import { MOVEMENTS, movement as movements } from "../../strength/movements";
import { saidWith } from "../../units/said";
import { CLIENT_TABLES, type FileProblem, type FileRow } from "../clientFile";
import { type Making, rowOfMeasurement, rowsOfTest, TORQUE_NM } from "../newRows";
import { emptyPlan, type ImportPlan } from "../plan";
import { Here, type Line, SIDES } from "./fields";
import type { KnownClient } from "./known";

const STRENGTH = Object.fromEntries(
  movements.options.flatMap((m) => [
    [m, m],
    [MOVEMENTS[m].name.toLowerCase(), m],
  ]),
);
/** What a line can say beside a value. */
const TOLD_BESIDE: ReadonlySet<MeasuredWith | null> = new Set(["step", "steps", "name"] as const);
const KINDS = Object.fromEntries(
  MEASUREMENT_KIND_IDS.filter((k) => isPlain(k) || TOLD_BESIDE.has(measurementKind(k).with)).flatMap((k) => [
    [k, k],
    [measurementKind(k).name.toLowerCase(), k],
  ]),
) as Record<string, MeasurementKind>;
const UNITS: Readonly<Record<string, string>> = {
  n·m: "N·m",
  nm: "N·m",
  "n*m": "N·m",
  "n.m": "N·m",
  deg: "°",
  degrees: "°",
  "°": "°",
  cm: "cm",
  s: "s",
  m: "m",
  "m/s": "m/s",
  kg: "kg",
  grade: "grade",
  times: "times",
  count: "times",
  "of 10": "of 10",
  "0-10": "of 10",
};

const WAYS = { active: "active", passive: "passive" } as const;

/** By what a result is the same again, whichever line of whichever file it stands in. */
export const testKey = (t: {
  episodeId: string;
  what: string;
  side: string | null;
  value: number;
  deg: number | null;
  on: string;
}): string => `${t.episodeId} ${t.on} ${t.what} ${t.side} ${Math.round(t.value * 100) / 100} ${t.deg}`;

/** What a kind has beside its value, as the line tells it; null with its problem where the line does not. */
function besideOf(line: Line, of: MeasuredWith | null): Partial<MeasurementInput> | null {
  if (of === "step") {
    const cm = line.number("step_cm", 5, 60, "cm");
    if (cm !== null) return { stepM: cm / 100 };
    line.problems.push({ code: "exchange.test_step" });
    return null;
  }
  if (of === "steps") {
    const steps = line.number("steps", 1, 100, "steps");
    if (steps !== null && Number.isInteger(steps)) return { steps };
    line.problems.push({ code: "exchange.test_steps" });
    return null;
  }
  if (of !== "name") return {};
  const test = freeTest.safeParse({
    name: line.text("test_name"),
    unit: line.text("test_unit"),
    better: line.one("test_better", { up: "up", down: "down" }),
    error: line.number("test_error", 0, 10_000, ""),
  });
  if (test.success) return { test: test.data };
  line.problems.push({ code: "exchange.test_own" });
  return null;
}

/** Test results of clients who are here: a unit that is not the measure's own is refused, never converted in silence. */
export function readTests(
  lines: readonly { no: number; line: Line }[],
  m: Making & { today: string },
  find: (line: Line) => KnownClient | null,
  /** what stands here already, by its content */
  standing: ReadonlyMap<string, number>,
): ImportPlan {
  const here = new Here(standing);
  let left = 0;
  const problems: FileProblem[] = [];
  const rows: Record<"strength_test" | "strength_trial" | "measurement", FileRow[]> = {
    strength_test: [],
    strength_trial: [],
    measurement: [],
  };
  for (const { no, line } of lines) {
    if (line.isTakenBack) continue;
    const client = find(line);
    const on = line.day("day", m.today);
    const side = line.one("side", SIDES);
    const unit = UNITS[line.text("unit").toLowerCase()];
    const what = line.text("what").toLowerCase();
    const movement = STRENGTH[what];
    const kind = KINDS[what];
    const mustBe = (wanted: string): void => {
      if (unit !== wanted)
        line.problems.push(
          saidWith("exchange.unit_must_be", { unit: wanted, found: line.text("unit").slice(0, 20) }),
        );
    };
    if (movement) {
      mustBe("N·m");
      const torqueNm = line.number("value", TORQUE_NM.least, TORQUE_NM.most, "N·m");
      const deg = line.number("knee_flexion_deg", 0, 130, "degrees");
      if (!side) line.problems.push({ code: "exchange.test_side" });
      if (deg === null && line.problems.length === 0) line.problems.push({ code: "exchange.test_angle" });
      if (line.problems.length === 0 && client && on && side && torqueNm !== null && deg !== null) {
        const same = testKey({ episodeId: client.episodeId, what: movement, side, value: torqueNm, deg, on });
        const n = here.next(same);
        if (n === null) {
          left++;
          continue;
        }
        const made = rowsOfTest(
          {
            key: `${same} ${n}`,
            episodeId: client.episodeId,
            side,
            movement,
            kneeFlexionDeg: deg,
            torqueNm,
            on,
            bodyMassKg: client.bodyMassKg,
            shankLengthM: client.shankLengthM,
          },
          m,
        );
        rows.strength_test.push(...made.strength_test);
        rows.strength_trial.push(...made.strength_trial);
      }
    } else if (kind) {
      const spec = measurementKind(kind);
      // a test of one's own has the unit that is written with it
      if (spec.with !== "name") mustBe(spec.unit);
      const beside = besideOf(line, spec.with);
      const value = line.number("value", spec.least, spec.most, spec.unit);
      if (value !== null && spec.isWhole && !Number.isInteger(value))
        line.problems.push(saidWith("exchange.measure_whole", { name: spec.name }));
      if (spec.isSided && !side) line.problems.push(saidWith("exchange.measure_side", { name: spec.name }));
      if (line.problems.length === 0 && client && on && value !== null && beside) {
        const ofSide = spec.isSided ? side : null;
        const same = testKey({
          ...{ episodeId: client.episodeId, side: ofSide, value, deg: null, on },
          what: beside.test ? `${kind} ${beside.test.name}` : kind,
        });
        const n = here.next(same);
        if (n === null) {
          left++;
          continue;
        }
        rows.measurement.push(
          rowOfMeasurement(
            {
              key: `${same} ${n}`,
              episodeId: client.episodeId,
              kind,
              side: spec.isSided ? side : null,
              value,
              // how it was moved is only known where the table says it
              way: spec.isAngle ? line.one("way", WAYS) : null,
              on,
              beside,
            },
            m,
          ),
        );
      }
    } else line.problems.push(saidWith("exchange.not_measured", { what: what.slice(0, 40) }));
    for (const said of line.problems) problems.push({ at: `line ${no}`, said });
  }
  return {
    ...emptyPlan(problems),
    tables: (["strength_test", "strength_trial", "measurement"] as const).map((table) => ({
      table,
      key: "id",
      columns: Object.keys(CLIENT_TABLES[table].row.shape),
      rows: rows[table],
    })),
    notes: [
      ...(left > 0 ? [saidWith("exchange.lines_here", { lines: left })] : []),
      ...(rows.strength_test.length > 0 ? [{ code: "exchange.trials_unknown" }] : []),
    ],
  };
}
