import { isNovice, NOVICE_VISITS, noviceVisits } from "./daily";

test("special sets wait for eight visits, for everybody but who has trained within the year (Background)", () => {
  for (const background of [null, "new", "away"] as const) {
    expect(isNovice(background, NOVICE_VISITS - 1)).toBe(true);
    expect(isNovice(background, NOVICE_VISITS)).toBe(false);
  }
  expect(isNovice("trained", 0)).toBe(false);
});

test("what is left is doubted more only of whom it is known that they are new or long away (Background)", () => {
  expect([null, "new", "away", "trained"].map((b) => noviceVisits(b as never))).toEqual([0, 8, 8, 0]);
});
