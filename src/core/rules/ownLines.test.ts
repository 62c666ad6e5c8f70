import { CONDITIONS } from "./conditions";
import { EXERCISES } from "./exercises";
import { ownLines } from "./ownLines";

const PAD =
  "Shin pad two fingers above the ankle bones. ACL graft or ACL-deficient: move it higher (less forward pull on the shin). PCL: keep it LOW (a high pad pushes the upper shin backward). Fracture: pad above the fracture.";
const own = (line: string, ...ids: string[]) => ownLines([line], new Set(ids)).join(" ");

test("advice for a ligament or a fracture stands only beside who has one", () => {
  expect(own(PAD, "total_knee_replacement")).toBe("Shin pad two fingers above the ankle bones.");
  expect(own(PAD, "acl_reconstruction")).toMatch(/bones\. ACL graft.*on the shin\)\.$/);
  expect(own(PAD, "pcl_injury")).toBe(
    "Shin pad two fingers above the ankle bones. PCL: keep it LOW (a high pad pushes the upper shin backward).",
  );
  expect(own(PAD, "post_fracture", "acl_deficient")).not.toMatch(/PCL/);
});

test("no client ever reads another's advice; who has the condition reads all of it, and a never stays with everybody", () => {
  const named: [RegExp, string[]][] = [
    [/(^|\. )ACL/, ["acl_reconstruction", "acl_deficient"]],
    [/(^|\. )PCL/, ["pcl_injury"]],
    [/(^|\. )Fracture:/, ["post_fracture"]],
    [/[^:]for hip replacement/, ["total_hip_replacement"]],
  ];
  for (const { setup_checks, cues } of EXERCISES)
    for (const line of [...setup_checks, ...cues]) {
      for (const { id } of CONDITIONS)
        for (const [says, ids] of named) if (!ids.includes(id)) expect(own(line, id)).not.toMatch(says);
      expect(own(line, ...CONDITIONS.map((c) => c.id))).toBe(line);
      if (/^(not|never)\b/i.test(line)) expect(own(line)).toBe(line);
    }
});
