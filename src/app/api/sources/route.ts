import { changes } from "@/app/_web/route";
import { sourceCheck } from "@/core/rules/sourceCheck";
import { markSource } from "@/server/clinic/sources";

export const POST = changes(sourceCheck, markSource);
