import { SCHEME_KINDS, scheme } from "@/core/sheet/schemes/scheme";
import { SCHEME_STARTS, schemeWords } from "./schemeDefaults";

test.each(SCHEME_KINDS.map((k) => [k]))("%s starts as a whole scheme and says itself in a line", (kind) => {
  expect(scheme.parse(SCHEME_STARTS[kind])).toEqual(SCHEME_STARTS[kind]);
  const words = schemeWords(SCHEME_STARTS[kind]);
  expect(words).toMatch(/\d/);
  expect(words.length).toBeLessThan(32);
});
