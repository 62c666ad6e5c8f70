import { CONDITIONS } from "../rules/conditions";
import { criterionWords } from "./criterionWords";

test.each([
  ["30-second chair stand >=10", "30-second chair stand at least 10"],
  ["hop tests >=90 %", "hop tests at least 90 %"],
  ["10 single-leg squats to 60 deg, pain <=2/10", "10 single-leg squats to 60°, pain at most 2 of 10"],
  [
    "single-leg press 6RM within 10 % of other side",
    "single-leg press 6-repetition maximum within 10 % of other side",
  ],
  ["sit-to-stand from 50 cm x5 at pain <=3/10", "sit-to-stand from 50 cm, 5 times at pain at most 3 of 10"],
  ["walks without a stick", "walks without a stick"],
])("%s reads %s", (text, words) => {
  expect(criterionWords(text)).toBe(words);
});

test("no criterion of any phase is read with signs", () => {
  for (const c of CONDITIONS)
    for (const p of c.phases)
      for (const text of p.exit_criteria.functional)
        expect(criterionWords(text)).not.toMatch(/[<>]=?|\d\/10|\bdeg\b|\dRM\b/);
});
