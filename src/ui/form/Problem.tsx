import { Said } from "../reader";

/** What went wrong with the whole request, in its own line; empty when nothing did. */
export function Problem({ sentence }: { sentence: string | null }) {
  return (
    <p role="alert" className={sentence ? "border-l-4 border-accent pl-3 text-accent" : "sr-only"}>
      <Said>{sentence}</Said>
    </p>
  );
}
