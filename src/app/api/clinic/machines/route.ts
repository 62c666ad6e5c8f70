import { jsonDownload } from "@/app/_web/download";
import { reads } from "@/app/_web/route";
import { machinesFileOf } from "@/server/exchange/clinicOut";

/** The machines in use, to be read in at another clinic. */
export const GET = reads(machinesFileOf, (file) => jsonDownload(file, "bexlo-machines.json"));
