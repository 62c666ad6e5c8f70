import { CONDITIONS } from "../rules/conditions";
import { begunBy } from "./begunBy";

test("what the condition tells is not asked; a fracture, an injured ligament or a mixture is", () => {
  expect(begunBy(["total_knee_replacement"])).toBe("surgery");
  expect(begunBy(["acl_reconstruction", "meniscus_repair"])).toBe("surgery");
  expect(begunBy(["knee_oa"])).toBe("onset");
  expect(begunBy(["post_fracture"])).toBeNull();
  expect(begunBy(["pcl_injury"])).toBeNull();
  expect(begunBy(["acl_reconstruction", "knee_oa"])).toBeNull();
  expect(begunBy([])).toBeNull();
});

test("an operation by its name begins with surgery", () => {
  for (const { id } of CONDITIONS)
    if (/replacement|reconstruction|repair|ectomy/.test(id)) expect(begunBy([id])).toBe("surgery");
});
