import fc from "fast-check";
import { EXERCISES } from "@/core/rules/exercises";
import { exerciseText } from "@/core/rules/exerciseText";
import { LANGUAGES } from "@/core/units/language";
import { fromKept } from "@/core/units/said";
import { RECHECK_SIGNS } from "@/core/visit/signs/recheckSigns";
import { CLIENT_STOPS } from "@/core/visit/signs/stopReasons";
import { de } from "./de";
import { coded, labels } from "./en";
import { labelsOf, sayPlainly, sayTo } from "./say";

const german = sayTo({ language: "de", massUnit: "kg" });
const inPounds = sayTo({ language: "en", massUnit: "lb" });

test("what a client reads in a second language has every label, and none is left as it was", () => {
  for (const [room, words] of Object.entries(labels)) {
    const own = de[room as keyof typeof labels] as Readonly<Record<string, unknown>>;
    expect(Object.keys(own).sort()).toEqual(Object.keys(words).sort());
    for (const [name, said] of Object.entries(words))
      if (typeof said === "string" && /\w \w/.test(said)) expect(own[name]).not.toBe(said);
  }
  for (const sign of RECHECK_SIGNS) {
    const code = "visit.sign_by_client";
    expect(german({ code, sign })).not.toBe(sayPlainly({ code, sign }));
  }
  for (const { id } of CLIENT_STOPS)
    expect(german({ code: "visit.stop_by_client", reason: id })).not.toBe(
      sayPlainly({ code: "visit.stop_by_client", reason: id }),
    );
});

test("every exercise has a name, what is needed and each of its cues in every language", () => {
  for (const e of EXERCISES) {
    const own = exerciseText(e, "en", new Set());
    for (const language of LANGUAGES) {
      const text = exerciseText(e, language, new Set());
      expect(text.name.length).toBeGreaterThan(3);
      expect(text.equipment.length).toBeGreaterThan(1);
      expect(text.cues).toHaveLength(own.cues.length);
      if (language !== "en") expect(text.cues.some((c) => own.cues.includes(c))).toBe(false);
    }
  }
});

test("what the clinic worded itself stays in the clinic's words", () => {
  const [e] = EXERCISES;
  if (!e) throw new Error("no exercise");
  const own = { ...e, name: "Our own way", cues: ["Slowly."] };
  expect(exerciseText(own, "de", new Set())).toMatchObject({
    name: "Our own way",
    cues: ["Slowly."],
    equipment: exerciseText(e, "de", new Set()).equipment,
  });
  expect(exerciseText({ ...e, id: "own_1" }, "de", new Set()).name).toBe(e.name);
});

test("a line is said with its numbers in the reader's language and units", () => {
  const line = {
    code: "home.line" as const,
    sets: 3,
    work: { holds: 1, holdS: 30 },
    legs: "each" as const,
    load: { code: "home.load" as const, how: "pin 3", kg: 17.5 },
  };
  expect(sayPlainly(line)).toBe("3 times 30 seconds, each leg, pin 3, 17.5\u00a0kg");
  expect(inPounds(line)).toBe("3 times 30 seconds, each leg, pin 3, 17.5\u00a0kg (39 lb)");
  expect(german(line)).toBe("3-mal 30 Sekunden halten, jedes Bein, pin 3, 17,5\u00a0kg");
  expect(sayPlainly({ ...line, sets: 1, work: { reps: 8 }, legs: "left", load: null })).toBe(
    "8 repetitions, left leg",
  );
  // a last set in its own way is said behind all others (X4)
  const lighter = { code: "home.last_set" as const, how: "lighter" as const, reps: 14, load: null };
  expect(sayPlainly({ ...line, load: null, last: lighter })).toBe(
    "3 times 30 seconds, each leg, the last one lighter: 14 times",
  );
  expect(german({ ...lighter, how: "slower", reps: 6 })).toBe(
    "im letzten Satz doppelt so langsam zurück: 6-mal",
  );
  // a piece that is a mass by itself is said once
  expect(sayPlainly({ code: "home.load", how: "5 kg", kg: 5 })).toBe("5\u00a0kg");
  expect(sayPlainly({ code: "home.load", how: "body weight", kg: 0 })).toBe("body weight");
});

test("what a second language does not say is said in the first; what nobody says stands as its code", () => {
  expect(german({ code: "phases.bend", leastDeg: 100 })).toBe("bend at least 100°");
  expect(sayPlainly({ code: "phases.nothing" })).toBe("phases.nothing");
  // a sentence of a room without codes goes through, with its pounds
  expect(inPounds("at most 10\u00a0kg")).toBe("at most 10\u00a0kg (22 lb)");
});

test("days are said so that no reader takes them for others, numbers as the language writes them", () => {
  const paper = labelsOf(german, "clientPaper");
  expect(paper("up_to", { pain: 3 })).toMatch(/bis 3 von 10/);
  expect(labelsOf(sayPlainly, "morning")("ask", { part: "hip" })).toBe("How is the hip this morning?");
  expect(labelsOf(german, "morning")("ask", { part: "hip" })).toBe("Wie geht es der Hüfte heute Morgen?");
});

test("what somebody wrote that looks like a code is said as it was written, and stops no page", () => {
  for (const text of [
    "knee.sore",
    "path.constructor",
    "constructor.name",
    '{"code":"knee.sore","code":5}',
    '{"code":"floor.ended","why":5}',
    '{"code":"bound.of_phase","because":{"code":"bound.of_phase","because":3}}',
  ])
    expect(sayPlainly(fromKept(text))).toBe(text);
  const rooms = Object.entries(coded).flatMap(([room, words]) =>
    Object.keys(words).map((w) => `${room}.${w}`),
  );
  fc.assert(
    fc.property(fc.constantFrom(...rooms), fc.dictionary(fc.string(), fc.jsonValue()), (code, numbers) => {
      expect(
        typeof sayPlainly(
          fromKept(
            `{"code":"${code}"${Object.entries(numbers)
              .map(([k, v]) => `,${JSON.stringify(k)}:${JSON.stringify(v)}`)
              .join("")}}`,
          ),
        ),
      ).toBe("string");
    }),
  );
});
