"use client";
import { useId } from "react";
import type { Computed, Confidence, Origin } from "@/core/units/working";

const ORIGIN_WORDS: Record<Origin, string> = {
  measured: "measured",
  estimated: "estimated",
  default: "default",
  entered: "entered",
};

const CONFIDENCE_WORDS: Record<Confidence, string> = {
  high: "well known",
  medium: "remembered from the literature, unverified citation",
  low: "uncertain, unverified citation",
  own: "a rule of our own, no literature behind it",
};

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
  const text = computed.value.toFixed(digits);
  return (
    <div>
      <p className="small quiet">{label}</p>
      <button type="button" className="opens" data-origin={computed.origin} popoverTarget={id}>
        <span className="value display text-[22px]">{text}</span>{" "}
        <span className="text-[15px] font-bold">{computed.unit}</span>
        {computed.doubt !== null && <span className="small quiet"> ± {computed.doubt.toFixed(digits)}</span>}
        <span className="sr-only">, open the working</span>
      </button>
      {under && <p className="small quiet">{under}</p>}
      <WorkingPopover id={id} label={label} computed={computed} digits={digits} />
    </div>
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
  return (
    <section
      id={id}
      popover="auto"
      aria-label={`Working behind ${label}`}
      className="m-auto w-[460px] max-w-[92vw] border border-rule bg-base-100 p-5 text-base-content backdrop:bg-black/20"
    >
      <h3 className="text-lg">
        {label}: {computed.value.toFixed(digits)} {computed.unit}
      </h3>
      <p className="mt-2">{working.formula}</p>
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
            <tr key={i.name} className="border-t border-rule align-top">
              <td className="py-1 pr-2">{i.name}</td>
              <td className="py-1 pr-2 font-bold">{i.value}</td>
              <td className="small quiet py-1">
                {ORIGIN_WORDS[i.origin]}
                {i.from ? `, ${i.from}` : ""}
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
        Source: {working.source}; {CONFIDENCE_WORDS[working.confidence]}.
      </p>
      {working.cannotTell && <p className="small mt-1">It cannot tell: {working.cannotTell}</p>}
    </section>
  );
}
