import type { Band } from "./visitWords";

/** Ground and ink of each state. */
export const BAND_TONES: Record<Band, string> = {
  set_up: "bg-base-100 text-base-content",
  pain: "bg-mark text-[#0f2023]",
  go: "bg-primary text-primary-content",
  hold: "bg-trace text-[#0f2023]",
  move: "bg-trace text-[#0f2023]",
  rest: "bg-secondary text-secondary-content",
  done: "bg-base-100 text-base-content",
};

/** A shape of its own for each state, so that it is never told by colour alone. */
export function BandShape({ band, size = 52 }: { band: Band; size?: number }) {
  const paths: Record<Band, string> = {
    set_up: "M 26 4 L 48 26 L 26 48 L 4 26 Z",
    pain: "M 26 4 A 22 22 0 1 1 25.9 4 Z",
    go: "M 8 4 L 48 26 L 8 48 Z",
    hold: "M 6 6 H 46 V 46 H 6 Z",
    move: "M 4 34 L 26 8 L 48 34 M 4 50 L 26 24 L 48 50",
    rest: "M 10 6 H 20 V 46 H 10 Z M 32 6 H 42 V 46 H 32 Z",
    done: "M 6 28 L 20 42 L 46 10",
  };
  const isLine = band === "move" || band === "done";
  return (
    <svg width={size} height={size} viewBox="0 0 52 52" aria-hidden className="shrink-0">
      <path
        d={paths[band]}
        fill={isLine ? "none" : "currentColor"}
        stroke="currentColor"
        strokeWidth={isLine ? 8 : 0}
      />
    </svg>
  );
}
