import { expect, test } from "@playwright/test";
import { clientId, signIn } from "../support/bexlo";
import { DESK_STEPS, looksWrong } from "../support/looks";
import { putTheDemoBack } from "../support/stack";

test.beforeAll(putTheDemoBack);

const PARTS = ["motion", "swelling", "function", "repetitions"];

const STEPS = [...DESK_STEPS, "floor", "explain"];
const ONCE = [
  ...["dose?sheet=new", "swap", "cards", "choose?ask=feet-high&angle=80", "choose?view=sheet"],
  ...["record", "episodes", ...PARTS.map((p) => `measure?part=${p}`)],
];

// one page a test: each is looked through by axe up to three times, and a slow machine takes its time
for (const [name, how, steps, words] of [
  ["Pell Amsworth", "dark", STEPS, "fits, has few words, and axe finds nothing, whatever size and colours"],
  ["Pell Amsworth", "sizes", ONCE, "fits, has few words, and axe finds nothing, whatever size"],
  ["Tove Aldermoor", "words", STEPS, "fits and has few words"],
] as const)
  for (const step of steps)
    test(`${step} of ${name} ${words}`, async ({ page }) => {
      await signIn(page, "therapist");
      const id = await clientId(page, name);
      expect(await looksWrong(page, `/clients/${id}/${step}`, how)).toEqual([]);
    });
