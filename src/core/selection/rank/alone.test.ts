import { scoreContext } from "../../testdata/scoreContext";
import { needsPins } from "../fit/needsPins";
import { rangeSheet } from "./rangeSheet";

const { sheet } = scoreContext();

test("with nobody near what can come down on the client stands behind, is not barred, and says why (Alone)", () => {
  const near = rangeSheet(sheet);
  const alone = rangeSheet({ ...sheet, isAlone: true });
  const ids = (s: typeof near) => s.rows.map((r) => r.e.id).sort();
  expect(ids(alone)).toEqual(ids(near));
  const placeOf = (s: typeof near, id: string) =>
    s.rows
      .filter((r) => r.group === s.rows.find((x) => x.e.id === id)?.group)
      .findIndex((r) => r.e.id === id);
  const beneath = near.rows.filter((r) => needsPins(r.e)).map((r) => r.e.id);
  expect(beneath.length).toBeGreaterThan(5);
  const moved = beneath.map((id) => placeOf(alone, id) - placeOf(near, id));
  // among those that are behind anyway the others may still change places
  expect(moved.filter((by) => by > 0).length).toBeGreaterThan(beneath.length / 3);
  const mean = moved.reduce((sum, by) => sum + by, 0) / moved.length;
  expect(mean).toBeGreaterThan(1);
  const first = (s: typeof near) => s.rows.find((r) => r.group === "front_thigh");
  expect(needsPins(first(alone)?.e ?? { id: "", setup_checks: [] })).toBe(false);
});
