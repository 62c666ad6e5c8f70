import { BAND_TONES, BandShape } from "@/ui/visit/BandShape";
import type { BandWords } from "@/ui/visit/visitWords";

/** The state of the floor across the whole width, to be read from the other side of the room. */
export function StateBand({ state, where, saved }: { state: BandWords; where: string; saved: string }) {
  return (
    <header
      className={`flex flex-wrap items-center gap-x-5 gap-y-1 px-4 py-2 short:flex-nowrap short:py-0 lg:flex-nowrap lg:px-8 lg:py-3 ${BAND_TONES[state.band]}`}
    >
      <BandShape band={state.band} />
      <p
        className="display text-[34px] leading-none short:text-[22px] lg:text-[52px]"
        data-testid="band"
        aria-live="polite"
      >
        {state.word}
      </p>
      <p className="text-[17px] leading-tight short:hidden lg:text-[22px]">{state.hint}</p>
      <p className="ml-auto text-right text-[15px] leading-snug max-lg:flex max-lg:w-full max-lg:justify-between short:justify-end short:gap-3 lg:text-[17px]">
        {where}
        <span className="block" aria-live="polite">
          {saved}
        </span>
      </p>
    </header>
  );
}
