"use client";

const SCORES = Array.from({ length: 11 }, (_, i) => i);

/** Eleven keys 0 to 10; the limit stands as a mark between two keys. Never shown by colour alone. */
export function ScoreKeys({
  label,
  value,
  onPick,
  limit,
  disabled = false,
  size = "desk",
  isNarrow = false,
}: {
  label: string;
  value: number | null;
  onPick: (score: number) => void;
  limit?: number;
  disabled?: boolean;
  size?: "desk" | "floor";
  /** beside other things: two rows at any width */
  isNarrow?: boolean;
}) {
  const key = size === "floor" ? "h-12 text-xl" : "h-11 text-base";
  // on the floor a thumb hits them: never narrower than a thumb
  const columns = isNarrow ? "" : size === "floor" ? "min-[900px]:grid-cols-11" : "min-[360px]:grid-cols-11";
  return (
    <fieldset disabled={disabled} className="disabled:opacity-60">
      <legend className={size === "floor" ? "mb-1 text-[17px]" : "mb-1 font-bold"}>
        {label}
        {limit !== undefined && <span className="quiet font-normal"> · limit {limit}</span>}
      </legend>
      <div className={`grid grid-cols-6 gap-[7px] ${columns}`}>
        {SCORES.map((score) => (
          <span key={score} className="relative">
            <button
              type="button"
              aria-pressed={value === score}
              aria-label={`${label}: ${score}`}
              onClick={() => onPick(score)}
              className={`${key} w-full cursor-pointer rounded border font-bold disabled:cursor-default ${
                value === score
                  ? "border-base-content bg-base-content text-base-100"
                  : "border-rule hover:border-base-content"
              }`}
            >
              {score}
            </button>
            {limit === score && (
              <span aria-hidden className="absolute -right-[5px] -top-1 h-[calc(100%+8px)] w-[3px] bg-mark" />
            )}
          </span>
        ))}
      </div>
    </fieldset>
  );
}
