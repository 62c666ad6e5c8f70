import { boundsOf, limitsOf, painMaxFor } from "@/server/bounds/limits";
import { conditionsOf } from "@/server/client/conditions";
import { recordTest } from "@/server/measure/measurements";
import {
  type ClientOptions,
  closeConnections,
  daysLater,
  hold,
  holdWith,
  makeClient,
  makeClinic,
  owner,
  saveLines,
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
  const save = (atDeg: number) =>
    clinic.as("therapist", (ctx) => saveLines(ctx, client, [holdWith({ atDeg }, { ladder: null })]));
  await expect(save(45)).rejects.toThrow(
    /only 60° to 90° are open, because of .*ACL reconstruction|only 60° to 90° are open/,
  );
  expect(await owner`select 1 from sheet where episode_id = ${client.episodeId}`).toHaveLength(0);
  expect((await save(60)).lines[0]?.kept?.fromDeg).toBe(60);
});

test("the condition's limit on joint pain holds on the floor too", async () => {
  const client = await makeClient(clinic, { rules: [ACL] });
  expect(await clinic.as("trainer", (ctx) => painMaxFor(ctx, client))).toBe(2);
});

test("a surgeon's written limit that is tighter wins over the condition, and the other way round", async () => {
  const opens = async (low: number, high: number) => {
    const client = await tested({ rules: [ACL], limits: [{ low, high }] });
    const { extension_hold_angles: held, knee_flexion_under_load: loaded } = await clinic.as(
      "therapist",
      (ctx) => boundsOf(ctx, client),
    );
    return { held: [held?.low, held?.high], loaded: [loaded?.low, loaded?.high] };
  };
  expect(await opens(70, 80)).toEqual({ held: [60, 90], loaded: [70, 80] });
  expect((await opens(20, 120)).held).toEqual([60, 90]);
  const client = await tested({ rules: [ACL], limits: [{ low: 70, high: 80 }] });
  for (const [atDeg, why] of [
    [65, /only 70° to 80° are open, because of bend under load \(surgeon\)/],
    [85, /only 70° to 80° are open/],
  ] as const)
    await expect(
      clinic.as("therapist", (ctx) => saveLines(ctx, client, [holdWith({ atDeg }, { ladder: null })])),
    ).rejects.toThrow(why);
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
  await expect(clinic.as("therapist", (ctx) => saveLines(ctx, client, [hold()]))).rejects.toThrow(
    /is barred, because of/,
  );
});
