import { changes } from "@/app/_web/route";
import { templateInput } from "@/core/sheet/line/scoreInput";
import { keepTemplate } from "@/server/sheets/templates";

export const POST = changes(templateInput, keepTemplate);
