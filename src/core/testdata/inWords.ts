import { sayPlainly } from "@/words/say";
import type { Said } from "../units/said";

/** As it is said; nothing where nothing is. */
export const inWords = (said: Said | null | undefined): string => (said ? sayPlainly(said) : "");
