import { changes } from "@/app/_web/route";
import { preferences } from "@/core/access/preferences";
import { writePreferences } from "@/server/auth/preferences";

export const POST = changes(preferences, writePreferences);
