import { randomUUID } from "node:crypto";
import { conditionsOf } from "@/server/conditions";
import { painMaxFor } from "@/server/floor/sessions";
import { limitsOf } from "@/server/limits";
import { recordTest } from "@/server/measurements";
import { doseContext, savePlan } from "@/server/plans";
import {
  type ClientOptions,
  closeConnections,
  daysLater,
  makeClient,
  makeClinic,
  owner,
  PLAN,
  type TestClinic,
  testInput,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

/** Five weeks before the tests' Monday. */
const ACL = {
  conditionId: "acl_reconstruction",
  variantId: "patellar_tendon_graft",
  phaseId: "p3",
  beganOn: "2026-01-26",
};
const PCL = {
  conditionId: "pcl_injury",
  variantId: "reconstruction",
  phaseId: "protect",
  beganOn: "2026-01-26",
};

async function tested(o: ClientOptions) {
  const client = await makeClient(clinic, o);
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  return client;
}

test("a condition's phase bounds the holds, with its name as the reason", async () => {
  const client = await tested({ rules: [ACL] });
  const context = await clinic.as("therapist", (ctx) => doseContext(ctx, client));
  expect(context?.window).toMatchObject({ fromDeg: 60, toDeg: 90 });
  expect(context?.window.from).toBe("phase");
  expect(context?.window.because.from).toMatch(/^ACL reconstruction/);
  const low = { ...PLAN, kneeFlexionDeg: 45 };
  await expect(
    clinic.as("therapist", (ctx) => savePlan(ctx, client, { id: randomUUID(), baseVersion: 0, plan: low })),
  ).rejects.toThrow(/starts at 60°, because ACL reconstruction, early strength/);
  expect(await owner`select 1 from hold_plan where episode_id = ${client.episodeId}`).toHaveLength(0);
});

test("the condition's limit on joint pain holds on the floor too", async () => {
  const client = await makeClient(clinic, { rules: [ACL] });
  expect(await clinic.as("trainer", (ctx) => painMaxFor(ctx, client))).toBe(2);
});

test("a surgeon's written limit that is tighter wins over the condition, and the other way round", async () => {
  const window = async (low: number, high: number) => {
    const client = await tested({ rules: [ACL], limits: [{ low, high }] });
    return (await clinic.as("therapist", (ctx) => doseContext(ctx, client)))?.window;
  };
  expect(await window(70, 80)).toMatchObject({ fromDeg: 70, toDeg: 80, from: "surgeon" });
  expect(await window(20, 120)).toMatchObject({ fromDeg: 60, toDeg: 90, from: "phase" });
});

test("weeks alone never open a phase: months later the confirmed phase still binds", async () => {
  const client = await tested({ rules: [ACL] });
  const later = await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId), daysLater(300));
  expect(later[0]?.phase.id).toBe("p3");
  const limits = await clinic.as("therapist", (ctx) => limitsOf(ctx, client), daysLater(300));
  expect(limits.find((l) => l.kind === "extension_hold_angles")).toMatchObject({ low: 60, high: 90 });
});

test("a stance chosen for the client changes what is computed", async () => {
  const of = async (option: string) => {
    const client = await makeClient(clinic, { rules: [{ ...ACL, stances: { oc_extension: option } }] });
    const [found] = await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId));
    return found?.limits.open_chain_extension;
  };
  expect(await of("avoid")).toMatchObject({ rule: "isometric", isometric_effort_max_pct: 60 });
  expect(await of("progressive")).toMatchObject({ rule: "arc", to_deg: 30 });
});

test("two conditions that contradict each other bar the hold and name whom to ask", async () => {
  const client = await tested({ rules: [ACL, PCL] });
  await expect(
    clinic.as("therapist", (ctx) => savePlan(ctx, client, { id: randomUUID(), baseVersion: 0, plan: PLAN })),
  ).rejects.toThrow(/opposite: ask specialist \(phase\)/);
});
