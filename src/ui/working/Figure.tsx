"use client";
import { type ReactNode, useId, useState } from "react";
import { poundsBeside } from "@/core/units/mass";
import { asKept } from "@/core/units/said";
import type { Computed } from "@/core/units/working/working";
import { CONFIDENCE_NAMES, ORIGIN_NAMES } from "@/words/en/numbers/work";
import { workingText } from "@/words/workingText";
import { Said, useMassUnit, useSay } from "../reader";

/** A computed number, large, its unit small, its doubt beside it. Opens its working; an estimate is dotted under. */
export function Figure({
  label,
  computed,
  digits = 0,
  under,
}: {
  label: string;
  computed: Computed;
  digits?: number;
  under?: string;
}) {
  const id = useId();
  const unit = useMassUnit();
  const text = computed.value.toFixed(digits);
  return (
    <div>
      <p className="small quiet">{label}</p>
      <button type="button" className="opens" data-origin={computed.origin} popoverTarget={id}>
        <span className="value display text-[22px]">{text}</span>{" "}
        <span className="text-[15px] font-bold">{computed.unit}</span>
        {computed.unit === "kg" && <span className="small quiet">{poundsBeside(computed.value, unit)}</span>}
        {computed.doubt !== null && <span className="small quiet"> ± {computed.doubt.toFixed(digits)}</span>}
        <span className="sr-only">, open the working</span>
      </button>
      {under && <p className="small quiet">{under}</p>}
      <WorkingPopover id={id} label={label} computed={computed} digits={digits} />
    </div>
  );
}

/** A number inside a sentence that opens its working; what is seen are the sentence's own words. */
export function Opens({
  label,
  computed,
  digits = 0,
  children,
}: {
  label: string;
  computed: Computed;
  digits?: number;
  children: ReactNode;
}) {
  const id = useId();
  return (
    <>
      <button type="button" className="opens" data-origin={computed.origin} popoverTarget={id}>
        <span className="value">{children}</span>
        <span className="sr-only">, open the working</span>
      </button>
      <WorkingPopover id={id} label={label} computed={computed} digits={digits} />
    </>
  );
}

function WorkingPopover({
  id,
  label,
  computed,
  digits,
}: {
  id: string;
  label: string;
  computed: Computed;
  digits: number;
}) {
  const { working } = computed;
  const say = useSay();
  return (
    <section
      id={id}
      popover="auto"
      aria-label={`Working behind ${label}`}
      className="m-auto w-[460px] max-w-[92vw] border border-rule bg-base-100 p-5 text-base-content backdrop:bg-black/20"
    >
      <p className="display text-lg">
        {label}: {computed.value.toFixed(digits)} {computed.unit}
      </p>
      <p className="mt-2">
        <Said>{working.formula}</Said>
      </p>
      <table className="mt-3 w-full text-left">
        <thead className="sr-only">
          <tr>
            <th>Input</th>
            <th>Value</th>
            <th>Where from</th>
          </tr>
        </thead>
        <tbody>
          {working.inputs.map((i) => (
            <tr key={asKept(i.name)} className="border-t border-rule align-top">
              <td className="py-1 pr-2">
                <Said>{i.name}</Said>
              </td>
              <td className="py-1 pr-2 font-bold">
                <Said>{i.value}</Said>
              </td>
              <td className="small quiet py-1">
                {ORIGIN_NAMES[i.origin]}
                {i.from ? `, ${say(i.from)}` : ""}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {computed.doubt !== null && (
        <p className="small mt-3">
          In about 19 of 20 cases within ± {computed.doubt.toFixed(digits)} {computed.unit}.
        </p>
      )}
      <p className="small quiet mt-1">
        Source: <Said>{working.source}</Said>; {CONFIDENCE_NAMES[working.confidence]}.
      </p>
      {working.cannotTell && (
        <p className="small mt-1">
          It cannot tell: <Said>{working.cannotTell}</Said>
        </p>
      )}
      <CopyWorking text={workingText(label, computed, digits, say)} />
    </section>
  );
}

/** The same as text, to check it by hand or send it to somebody. */
function CopyWorking({ text }: { text: string }) {
  const [said, setSaid] = useState("");
  return (
    <p className="small mt-3 flex items-baseline gap-3">
      <button
        type="button"
        className="cursor-pointer underline"
        onClick={() =>
          void navigator.clipboard.writeText(text).then(
            () => setSaid("copied"),
            () => setSaid("This browser does not let it be copied: select the text instead."),
          )
        }
      >
        Copy the working
      </button>
      <span role="status" className="quiet">
        {said}
      </span>
    </p>
  );
}
