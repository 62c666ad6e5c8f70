import { z } from "zod";
import texts from "../text/en.json";
import type { FamilyModel, MachineFamily } from "./family";

const setting = z.strictObject({
  name: z.string(),
  meaning: z.string(),
  words: z.array(z.string()).optional(),
});
const geometry = z.strictObject({ name: z.string(), how: z.string() });
const family = z.strictObject({
  name: z.string(),
  about: z.string(),
  /** what is loaded */
  load: z.string().optional(),
  /** where a family calls a setting or a number otherwise than the others do */
  settings: z.record(z.string(), setting).optional(),
  geometry: z.record(z.string(), geometry).optional(),
});
const TEXTS = z
  .strictObject({
    families: z.record(z.string(), family),
    settings: z.record(z.string(), setting),
    geometry: z.record(z.string(), geometry),
    /** what loads are called that have no mark of their own */
    labels: z.record(z.string(), z.string()),
  })
  .parse(texts);

function textOf<T>(id: string, key: string, own: Record<string, T> | undefined, usual: Record<string, T>): T {
  const text = own?.[key] ?? usual[key];
  if (text === undefined) throw new Error(`No words for ${key} of ${id}.`);
  return text;
}

/** What a family of machines is called, and a sentence about it. */
export function familyText(id: string): z.infer<typeof family> {
  const text = TEXTS.families[id];
  if (!text) throw new Error(`No words for ${id}.`);
  return text;
}

/** A family with the words of its id and of its keys. */
export function named(model: FamilyModel): MachineFamily {
  const text = familyText(model.id);
  return {
    ...model,
    name: text.name,
    about: text.about,
    geometry: model.geometry.map((g) => ({
      ...g,
      ...textOf(model.id, g.key, text.geometry, TEXTS.geometry),
    })),
    settings: model.settings.map((s) => ({
      ...s,
      ...textOf(model.id, s.key, text.settings, TEXTS.settings),
    })),
    load: model.load && { ...model.load, name: text.load ?? "" },
  };
}
