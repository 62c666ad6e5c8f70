import { bodyFrom, USUAL_BODY } from "../../body/segments";
import { contactForce } from "../../equipment/contactForce";
import { FAMILIES } from "../../equipment/families";
import { templateOf } from "../../equipment/templates";
import { EXERCISES, exerciseById } from "../../rules/exercises";
import { exerciseUse } from "../fit/exerciseUse";
import { dimensionMarks } from "./dimensionMarks";
import { machineDrawing, machineScene } from "./drawing";
import { exerciseMotion } from "./motion";

const machineOf = (family: string) => ({ ...templateOf(family), id: "m" });

describe("numbers on a machine's drawing", () => {
  test.each(FAMILIES.map((f) => f.id))("%s: each stands on strokes there are, none on another", (id) => {
    for (const body of [USUAL_BODY, bodyFrom(40, 1.4), bodyFrom(160, 2.05)]) {
      const drawing = machineDrawing(machineOf(id), body);
      const marks = dimensionMarks(machineOf(id), body);
      for (const [i, m] of marks.entries()) {
        expect(m.strokes.length).toBeGreaterThan(0);
        for (const s of m.strokes) expect(drawing?.strokes[s]).toBeDefined();
        for (const o of marks.slice(i + 1)) expect(Math.hypot(m.x - o.x, m.y - o.y)).toBeGreaterThan(0.14);
      }
    }
  });

  test("a rail, a pad and a plate have one; a ratio and a weight, which nobody can see, have none", () => {
    const keys = (id: string) => dimensionMarks(machineOf(id), USUAL_BODY).map((m) => m.key);
    expect(keys("seated_press")).toEqual(["railDeg", "plateTiltDeg", "footM", "backToRailDeg"]);
    expect(keys("seated_knee_extension")).toEqual(["backrestDeg", "padM"]);
    expect(keys("hack_squat")).not.toContain("carriageKg");
  });

  test("the shin pad's number goes with the shin as the knee straightens", () => {
    const at = (deg: number) =>
      dimensionMarks(machineOf("seated_knee_extension"), USUAL_BODY, deg).find((m) => m.key === "padM");
    expect(at(10)?.y ?? 0).toBeGreaterThan((at(90)?.y ?? 0) + 0.1);
  });
});

describe("a kilogram of load where the leg meets it", () => {
  const newtons = (id: string, geometry: Record<string, number> = {}) => {
    const machine = { ...machineOf(id), geometry: { ...templateOf(id).geometry, ...geometry } };
    const settings = machineScene(machine)?.posed.settings ?? {};
    return contactForce(machine, USUAL_BODY, settings)?.newtonsPerKg ?? null;
  };

  test("a level press with a straight stack: all of it; through a ratio of 0.6: six tenths", () => {
    expect(newtons("seated_press")).toBeCloseTo(9.81, 1);
    expect(newtons("seated_press", { ratio: 0.6 })).toBeCloseTo(0.6 * 9.81, 1);
  });

  test("a lever: torque by the ratio, over the pad's distance (36 cm)", () => {
    expect(newtons("seated_knee_extension")).toBeCloseTo((0.3 * 9.81) / 0.36, 2);
    expect(newtons("seated_knee_extension", { ratioM: 0.18 })).toBeCloseTo((0.18 * 9.81) / 0.36, 2);
  });

  test("a pulley that halves the stack halves it", () => {
    const machine = machineOf("seated_press");
    const settings = machineScene(machine)?.posed.settings ?? {};
    const steps = { ...machine.steps, pulley: 0.5 } as typeof machine.steps;
    expect(machine.steps.kind).toBe("stack");
    expect(contactForce({ ...machine, steps }, USUAL_BODY, settings)?.newtonsPerKg).toBeCloseTo(9.81 / 2, 1);
  });

  test("a sled at 45 degrees: its share along the rail; a counterweight, which helps, says nothing", () => {
    expect(newtons("sled_press", { friction: 0 })).toBeCloseTo(9.81 * Math.sin(Math.PI / 4), 1);
    expect(newtons("counterweight_curl")).toBeNull();
  });
});

describe("an exercise in motion", () => {
  test("goes through its own angles in small steps, all in one picture; what is held still does not move", () => {
    for (const e of EXERCISES) {
      const frames = exerciseMotion(e, USUAL_BODY);
      if (!exerciseUse(e)) {
        expect(frames).toEqual([]);
        continue;
      }
      expect(frames.length).toBeGreaterThan(0);
      if (e.match.static_hold) expect(frames).toHaveLength(1);
      const { min, max } = e.knee_angle_usable_deg;
      for (const [i, f] of frames.entries()) {
        if (frames.length > 1) expect(f.deg >= min && f.deg <= max).toBe(true);
        expect(f.drawing.widthM).toBe(frames[0]?.drawing.widthM);
        if (i > 0) expect(f.deg).toBeGreaterThan(frames[i - 1]?.deg ?? 0);
      }
    }
    expect(exerciseMotion(exerciseById("lp_horizontal") as never, USUAL_BODY).length).toBeGreaterThan(15);
  });
});
