import { sayPlainly } from "@/words/say";
import { InputError } from "../units/inputError";

/** What is said where something is refused; fails where it is not. */
export function refusalOf(work: () => unknown): string {
  try {
    work();
  } catch (error) {
    if (error instanceof InputError) return error.problems.map((p) => sayPlainly(p.sentence)).join(" ");
    throw error;
  }
  throw new Error("It was not refused.");
}
