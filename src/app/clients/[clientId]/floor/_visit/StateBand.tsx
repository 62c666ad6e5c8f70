import { BAND_TONES, BandShape } from "@/ui/visit/BandShape";
import type { BandWords } from "@/ui/visit/visitWords";

/** The state of the floor across the whole width, to be read from the other side of the room. */
export function StateBand({ state, where, saved }: { state: BandWords; where: string; saved: string }) {
  return (
    <header className={`flex items-center gap-5 px-8 py-3 ${BAND_TONES[state.band]}`}>
      <BandShape band={state.band} />
      <p className="display text-[52px] leading-none" data-testid="band" aria-live="polite">
        {state.word}
      </p>
      <p className="text-[22px] leading-tight">{state.hint}</p>
      <p className="ml-auto text-right text-[17px] leading-snug">
        {where}
        <span className="block" aria-live="polite">
          {saved}
        </span>
      </p>
    </header>
  );
}
