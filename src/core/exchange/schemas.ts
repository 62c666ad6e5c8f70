import { z } from "zod";
import { clientFile } from "./clientFile";
import { clinicFile, machinesFile } from "./clinicFile";

const of = (schema: z.ZodType, title: string) => ({
  title,
  ...z.toJSONSchema(schema, { io: "input", unrepresentable: "any", reused: "ref" }),
});

/** The published schemas of the product's own files, made from what reads them. */
export const schemas = () => ({
  "bexlo-client": of(clientFile, "A client of Bexlo, version 1"),
  "bexlo-clinic": of(clinicFile, "A clinic's own part, version 1"),
  "bexlo-machines": of(machinesFile, "A list of machines, version 1"),
});
