import type { Consequence } from "@/core/rules/redFlags";

export const CONSEQUENCE_WORDS: Record<Consequence, string> = {
  stop_send_now: "stop and refer",
  hold_ask_physician: "ask the physician",
  proceed_with_caution: "go on with caution",
};

/** What a yes means: a filled octagon stops, a half one waits for the physician, an open diamond is a caution. */
export function ConsequenceMark({ consequence }: { consequence: Consequence }) {
  const octagon = "M 5 1 L 11 1 L 15 5 L 15 11 L 11 15 L 5 15 L 1 11 L 1 5 Z";
  return (
    <svg
      width={16}
      height={16}
      viewBox="0 0 16 16"
      aria-hidden
      className="inline-block shrink-0 align-[-2px]"
    >
      {consequence === "proceed_with_caution" ? (
        <path d="M 8 2 L 14 8 L 8 14 L 2 8 Z" fill="none" strokeWidth={1.8} className="stroke-mark" />
      ) : (
        <>
          <path d={octagon} fill="none" strokeWidth={1.6} className="stroke-accent" />
          <path
            d={consequence === "stop_send_now" ? octagon : "M 1 8 L 15 8 L 15 11 L 11 15 L 5 15 L 1 11 Z"}
            className="fill-accent"
          />
        </>
      )}
    </svg>
  );
}
