import { changes } from "@/app/_web/route";
import { letterheadInput } from "@/core/paper/paperInput";
import { writeLetterhead } from "@/server/clinic/letterhead";

export const POST = changes(letterheadInput, writeLetterhead);
