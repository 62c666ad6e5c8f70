import type { InForce } from "@/core/bounds/inForce";
import { keyBounds } from "@/core/bounds/keyBounds";
import { kneeWindow } from "@/core/bounds/window";
import type { MeasuredMotion } from "@/core/selection/fit/allowedArc";
import type { PainfulArc } from "@/core/strength/painfulArc";
import { KeyBounds } from "./KeyBounds";
import { KneeArc } from "./KneeArc";

/** What bounds the work in one picture; beside it, where one was asked for, what another answer would leave. */
export function BoundsPicture({
  bounds,
  motion,
  painfulArcs,
  beside,
}: {
  bounds: InForce;
  motion: MeasuredMotion;
  /** where it hurts now */
  painfulArcs: readonly PainfulArc[];
  beside: { words: string; bounds: InForce } | null;
}) {
  const [here, there] = [bounds, beside?.bounds].map(
    (b) => b && { window: kneeWindow(b, motion), key: keyBounds(b) },
  );
  if (!here) return null;
  if (!there || !beside)
    return (
      <div className="mt-2 grid grid-cols-1 items-center gap-x-6 lg:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
        <KneeArc window={here.window} motion={motion} painfulArcs={painfulArcs} />
        <KeyBounds bounds={here.key} />
      </div>
    );
  const said = (b: (typeof here.key)[number]) => `${b.kind} ${b.words}`;
  const differ = (own: typeof here.key, other: typeof here.key) =>
    new Set(own.filter((b) => !other.some((x) => said(x) === said(b))).map((b) => b.kind));
  const arcDiffers = here.window.fromDeg !== there.window.fromDeg || here.window.toDeg !== there.window.toDeg;
  const isSame = !arcDiffers && differ(here.key, there.key).size + differ(there.key, here.key).size === 0;
  return (
    <div className="mt-2 grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-2">
      {[
        { title: "as it holds now", ...here, marks: differ(here.key, there.key) },
        { title: beside.words, ...there, marks: differ(there.key, here.key) },
      ].map((side) => (
        <section key={side.title} aria-label={side.title}>
          <h2 className="text-[16px]">
            {side.title}
            {arcDiffers && <span className="text-accent"> ◆ other angles</span>}
          </h2>
          <KneeArc window={side.window} motion={motion} painfulArcs={painfulArcs} />
          <KeyBounds bounds={side.key} differing={side.marks} />
        </section>
      ))}
      {isSame && <p className="lg:col-span-2">For this knee on this day both answers leave the same.</p>}
    </div>
  );
}
