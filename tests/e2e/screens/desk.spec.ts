import { expect, test } from "@playwright/test";
import { clientId, signIn } from "../support/bexlo";
import { DESK_STEPS, looksWrong } from "../support/looks";
import { putTheDemoBack } from "../support/stack";

test.beforeAll(putTheDemoBack);

const PARTS = ["motion", "swelling", "function", "repetitions"];

for (const [name, how, words] of [
  ["Pell Amsworth", "dark", "fits, has few words, and axe finds nothing, whatever size and colours"],
  ["Tove Aldermoor", "words", "fits and has few words"],
] as const)
  test(`every step of ${name}'s desk ${words}`, async ({ page }) => {
    // each looked through by axe, most of them three times
    test.setTimeout(1_200_000);
    await signIn(page, "therapist");
    const id = await clientId(page, name);
    const of = [...DESK_STEPS, "floor", "explain"];
    const once = [
      ...["dose?sheet=new", "swap", "cards", "choose?ask=feet-high&angle=80", "choose?view=sheet"],
      ...["record", "episodes", ...PARTS.map((p) => `measure?part=${p}`)],
    ];
    const wrong: string[] = [];
    for (const step of of) wrong.push(...(await looksWrong(page, `/clients/${id}/${step}`, how)));
    if (how === "dark")
      for (const step of once) wrong.push(...(await looksWrong(page, `/clients/${id}/${step}`, "sizes")));
    expect(wrong).toEqual([]);
  });
