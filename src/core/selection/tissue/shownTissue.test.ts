import { shownTissue } from "./shownTissue";
import { TISSUE_IDS } from "./tissues";

test("what hurts is shown first; where nothing loads it, the next that something loads, and it is said", () => {
  expect(shownTissue("forward", () => false)).toEqual({ tissue: "forward", flat: [] });
  expect(shownTissue("forward", (t) => t === "forward")).toEqual({ tissue: "kneecap", flat: ["forward"] });
  expect(shownTissue("back", (t) => t !== "backward")).toEqual({
    tissue: "backward",
    flat: ["back", "kneecap", "forward"],
  });
});

test.each(TISSUE_IDS)(
  "where everything is flat, %s stays what it was, and nothing is asked twice",
  (first) => {
    const asked: string[] = [];
    const found = shownTissue(first, (t) => {
      asked.push(t);
      return true;
    });
    expect(found).toEqual({ tissue: first, flat: [first] });
    expect(new Set(asked).size).toBe(asked.length);
  },
);
