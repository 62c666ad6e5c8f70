import { sayPlainly } from "./say";
import { workingText } from "./workingText";

test("the working as text has the number, every input with its origin, the doubt, the source and what it cannot tell", () => {
  const text = workingText(
    "torque",
    {
      value: 103.6,
      unit: "N·m",
      doubt: 12.2,
      origin: "estimated",
      working: {
        formulaId: "x.y",
        formula: "force times lever",
        inputs: [
          { name: "force", value: "350 N", origin: "measured", from: "load cell" },
          { name: "lever", value: "0.30 m", origin: "entered" },
        ],
        source: "definition",
        confidence: "high",
        cannotTell: "How it feels.",
      },
    },
    0,
    sayPlainly,
  );
  expect(text.split("\n")).toEqual([
    "torque: 104 ± 12 N·m",
    "How: force times lever (x.y)",
    "  force = 350 N (measured, load cell)",
    "  lever = 0.30 m (entered)",
    "Doubt: in about 19 of 20 cases within ± 12 N·m.",
    "Source: definition; well known.",
    "It cannot tell: How it feels.",
  ]);
});
