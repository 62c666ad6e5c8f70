import fc from "fast-check";
import { repetitionS } from "@/core/sheet/schemes/repetitionSeconds";
import { SCHEME_KINDS, setsOf, tempoOf } from "@/core/sheet/schemes/scheme";
import { EXAMPLES } from "@/core/testdata/scoreContext";
import { wayWords } from "./en/plan/way";

test("the seconds that are said of a repetition are those that the sets are timed by", () => {
  for (const kind of ["straight", "ramp", "light", "climb", "drop", "lowering", "two_up_one_down"] as const) {
    const tempo = tempoOf(EXAMPLES[kind]);
    const set = setsOf(EXAMPLES[kind]).find((s) => s.role === "work");
    expect(tempo && set?.reps && set.reps * repetitionS(tempo)).toBeCloseTo(set?.workS ?? -1, 6);
    expect(wayWords(EXAMPLES[kind])).toContain(`${tempo?.lowerS} s`);
  }
});

test("every number that is planned of how it is done is said, whatever it is", () => {
  fc.assert(
    fc.property(fc.integer({ min: 3, max: 10 }), fc.integer({ min: 1, max: 5 }), (many, few) => {
      expect(wayWords({ ...EXAMPLES.lowering, lowerS: many })).toMatch(
        new RegExp(`^help on the way up, lower it alone in ${many} s`),
      );
      expect(wayWords({ ...EXAMPLES.two_up_one_down, lowerS: many, reserve: few })).toMatch(
        new RegExp(`both legs.*down on it in ${many} s, ${few} in reserve`),
      );
      expect(wayWords({ ...EXAMPLES.pulses, pulses: few })).toMatch(new RegExp(`${few} short pulses?`));
      expect(wayWords({ ...EXAMPLES.partials, partials: many, holdS: 5 * few })).toMatch(
        new RegExp(`${many} short ones.*hold there ${5 * few} s`),
      );
      expect(wayWords({ ...EXAMPLES.holds, effort: { kind: "felt", felt: many } })).toContain(
        `felt effort of ${many} of 10`,
      );
      expect(wayWords({ ...EXAMPLES.climb, reserve: 1 + (few % 4) })).toContain(
        `fewer than ${1 + (few % 4)}`,
      );
    }),
  );
});

test("a reserve is never called what is left: left is a leg", () => {
  for (const kind of SCHEME_KINDS) expect(wayWords(EXAMPLES[kind])).not.toMatch(/\bleft\b/);
});
