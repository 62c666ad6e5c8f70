import type { ReactNode } from "react";
import { Popover } from "./Popover";
import { TERMS, type TermId } from "./terms";

/** A word that explains itself where it stands; what is seen are the sentence's own words. */
export function Term({ id, children }: { id: TermId; children?: ReactNode }) {
  const [name, meaning] = TERMS[id];
  return (
    <Popover trigger={children ?? name} className="term">
      <b>{name}</b>: {meaning}
    </Popover>
  );
}
