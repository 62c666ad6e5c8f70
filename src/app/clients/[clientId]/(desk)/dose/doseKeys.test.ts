import { doseKeys } from "./doseKeys";

type Given = Parameters<typeof doseKeys>[0];

/** Every deed that a key did, by name. */
function pressed(mayWrite: boolean, line: Given["line"], keys: string): string[] {
  const did: string[] = [];
  const note = (name: string) => () => void did.push(name);
  const dialog = (name: string) => ({ current: { showModal: note(name) } }) as never;
  const deeds = doseKeys({
    mayWrite,
    line,
    score: {
      move: (_key: string, by: number) => did.push(`move ${by}`),
      remove: note("remove"),
      undo: note("undo"),
      redo: note("redo"),
    } as never,
    step: (by) => void did.push(`step ${by}`),
    share: note("share"),
    draft: note("draft"),
    save: note("save"),
    show: {
      adder: dialog("add"),
      starter: dialog("start"),
      homeDialog: dialog("home"),
      finder: dialog("find"),
    },
  });
  for (const key of keys) deeds.find((d) => d.key === key)?.run();
  return did;
}

const LINE = { key: "a" } as Given["line"];

test("each key does its deed to the picked line", () => {
  expect(pressed(true, LINE, "jkudxgaohfs")).toEqual([
    "step 1",
    "step -1",
    "move -1",
    "move 1",
    "remove",
    "share",
    "add",
    "start",
    "home",
    "find",
    "save",
  ]);
});

test("who may not write moves among lines and opens nothing", () => {
  expect(pressed(false, LINE, "jkudxgaohf")).toEqual(["step 1", "step -1"]);
});

test("without a line nothing is moved or taken out", () => {
  expect(pressed(true, null, "udx")).toEqual([]);
});

test("no key stands for two things", () => {
  const keys = doseKeys({ score: {}, show: {} } as never).map((d) => d.key);
  expect(new Set(keys).size).toBe(keys.length);
});
