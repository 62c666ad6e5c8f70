import { isNovice, NOVICE_VISITS } from "./daily";

test("special sets wait for eight visits, for everybody but who has trained within the year (Background)", () => {
  for (const background of [null, "new", "away"] as const) {
    expect(isNovice(background, NOVICE_VISITS - 1)).toBe(true);
    expect(isNovice(background, NOVICE_VISITS)).toBe(false);
  }
  expect(isNovice("trained", 0)).toBe(false);
});
