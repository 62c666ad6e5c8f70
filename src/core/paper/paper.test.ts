import { printable } from "./printable";

test("letters that the typeface has print as they are; others are never another letter, and it is said", () => {
  expect(printable("Łódź, ±5°, “Ñandú”, 3 × 10 – 1½ €")).toEqual({
    text: "Łódź, ±5°, “Ñandú”, 3 × 10 – 1½ €",
    lacks: [],
  });
  expect(printable("Ωmega 王王")).toEqual({ text: "?mega ??", lacks: ["Ω", "王"] });
  expect(printable("Ωmega 王", (c) => c === "王")).toEqual({ text: "?mega 王", lacks: ["Ω"] });
  expect(printable("2 → 3, ≤ 4\nnext")).toEqual({ text: "2 to 3, at most 4 next", lacks: [] });
  // a letter and its mark apart are one letter
  expect(printable("e\u0301").text).toBe("é");
});
