import { changes } from "@/app/_web/route";
import { newClientInput } from "@/core/story/storyInput";
import { createClient } from "@/server/client/story";

export const POST = changes(newClientInput, createClient);
