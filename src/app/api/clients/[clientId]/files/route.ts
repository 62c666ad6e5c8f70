import { z } from "zod";
import { jsonDownload, zipDownload } from "@/app/_web/download";
import { reads } from "@/app/_web/route";
import { InputError } from "@/core/units/inputError";
import { bundleOf, clientZip, takeOut, type ZipFile } from "@/server/exchange/zipOut";

const query = z.object({
  what: z.enum(["json", "fhir", "zip"]),
  names: z.enum(["yes", "no"]).default("yes"),
});

/** A client as a file: the product's own JSON, a FHIR bundle, or an archive of everything. */
export const GET = reads<Response, { clientId: string }>(
  async (ctx, { clientId }, search) => {
    const asked = query.safeParse(Object.fromEntries(search));
    if (!asked.success) throw new InputError("what", "Ask for json, fhir or zip, with or without names.");
    const { what, names } = asked.data;
    const name = `bexlo-client-${ctx.now.toISOString().slice(0, 10)}`;
    if (what === "zip") {
      const all: ZipFile[] = [];
      for await (const f of clientZip(ctx, clientId, names === "yes")) all.push(f);
      return zipDownload(inOrder(all), `${name}.zip`);
    }
    const file = await takeOut(ctx, clientId, names === "yes");
    return what === "json"
      ? jsonDownload(file, `${name}.json`)
      : jsonDownload(bundleOf(file), `${name}.fhir.json`, "application/fhir+json");
  },
  (response) => response,
);

async function* inOrder(files: readonly ZipFile[]) {
  yield* files;
}
