import { useRef } from "react";

/** One of a few on the floor; chosen by hand it does not keep the keys: the next number is the screen's. */
export function FloorSelect<V extends string>({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: V;
  options: readonly (readonly [V, string])[];
  onPick: (value: V) => void;
}) {
  const isByHand = useRef(false);
  return (
    <label className="flex flex-wrap items-center gap-2 text-[15px] lg:text-[17px]">
      {label}
      <select
        className="select min-h-[44px] w-auto border-rule bg-base-100 text-[15px] lg:text-[17px]"
        value={value}
        onPointerDown={() => {
          isByHand.current = true;
        }}
        onKeyDown={() => {
          isByHand.current = false;
        }}
        onChange={(e) => {
          onPick(e.target.value as V);
          if (isByHand.current) e.target.blur();
        }}
      >
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
