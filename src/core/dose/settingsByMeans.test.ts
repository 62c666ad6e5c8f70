import { limbGravityTorqueNm } from "../body/limbGravity";
import { bodyFrom } from "../body/segments";
import { loadSteps } from "../equipment/loadSteps";
import { seatedKneeExtensionMachine } from "../equipment/seatedKneeExtension";
import { settingsByMeans } from "./settingsByMeans";

const body = bodyFrom(70, 1.7);
const machine = seatedKneeExtensionMachine.parse({
  name: "Bay extension",
  steps: { kind: "stack", first: 5, step: 5, plates: 10 },
  ratioM: 0.3,
  cam: "flat",
  padDistanceM: 0.33,
  frictionShare: 0.1,
  backrestDeg: 105,
  usableFromDeg: 10,
  usableToDeg: 95,
  angleNotchDeg: 5,
});
const cuffs = loadSteps.parse({ kind: "list", items: [1, 2, 3].map((kg) => ({ label: `${kg} kg`, kg })) });
const at = (targetTorqueNm: number, kneeFlexionDeg: number, policy: "down" | "nearest" = "nearest") =>
  settingsByMeans({ targetTorqueNm, kneeFlexionDeg, body, machine, cuffs, policy });

test("the machine carries what the leg's own weight leaves", () => {
  const limb = limbGravityTorqueNm(body, 60);
  const r = at(limb + 15 * 9.81 * 0.3, 60).machine;
  expect(r).toMatchObject({ possible: true, how: "pin 3", loadKg: 15, flag: "ok" });
  if (!r.possible) throw new Error("unreachable");
  expect(r.errorPct).toBeCloseTo(0, 6);
  expect(r.shinForceN).toBeCloseTo((15 * 9.81 * 0.3) / 0.33, 6);
  expect(r.frictionDoubtNm).toBeCloseTo(0.1 * 15 * 9.81 * 0.3, 6);
});

test("when the leg's own weight is already more, nothing is offered and what to do is said", () => {
  const r = at(6, 10);
  for (const means of ["machine", "cuff", "strap"] as const)
    expect(r[means]).toMatchObject({
      possible: false,
      short: "the leg's own weight is already more",
      why: expect.stringMatching(/support the leg, bend the knee more or raise the effort/),
    });
});

test("outside the machine's arc only the strap is left", () => {
  const r = at(60, 100);
  expect(r.machine).toMatchObject({ possible: false, why: expect.stringMatching(/works from 10° to 95°/) });
  expect(r.cuff).toMatchObject({ possible: false, why: expect.stringMatching(/Beyond 75°/) });
  expect(r.strap.possible).toBe(true);
});

test("a target far above the heaviest step or cuff is not quietly under-dosed", () => {
  const r = at(400, 60);
  expect(r.machine).toMatchObject({ possible: false, short: "heaviest step is too light" });
  expect(r.cuff).toMatchObject({ possible: false, short: "heaviest cuff is too light" });
});

test("a cuff's torque shrinks as the shin hangs down, so more is hung on for the same target", () => {
  const limbAnd = (nm: number, deg: number) => limbGravityTorqueNm(body, deg) + nm;
  const [straight, bent] = [at(limbAnd(4, 20), 20).cuff, at(limbAnd(4, 65), 65).cuff];
  if (!straight.possible || !bent.possible) throw new Error("a cuff fits both");
  expect(bent.loadKg ?? 0).toBeGreaterThan(straight.loadKg ?? 0);
});

test("a cuff heavier than the target is not hung on", () => {
  const r = at(limbGravityTorqueNm(body, 30) + 1, 30).cuff;
  expect(r).toMatchObject({ possible: false, short: "lightest cuff is too heavy" });
});
