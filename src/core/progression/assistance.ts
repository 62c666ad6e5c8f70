type AssistanceNote = "ok" | "finished" | "one_plate" | "reps_first";

export interface NextAssistance {
  assist: number;
  effective: number;
  wanted: number;
  error: number;
  note: AssistanceNote;
}

/**
 * Next counterweight: the step applies to what is left of the body's load, and the help is rounded up to a plate, the
 * easier way, in both directions. Dosing rules E7.
 */
export function nextAssistance(q: {
  bodyLoad: number;
  assist: number;
  stepPct: number;
  plate: number;
  /** a whole plate may be taken when it is no more than this, once repetitions were added */
  mostStepPct?: number;
}): NextAssistance {
  const effectiveNow = q.bodyLoad - q.assist;
  const wanted = effectiveNow * (1 + q.stepPct / 100);
  const of = (assist: number, note: AssistanceNote): NextAssistance => ({
    assist,
    effective: q.bodyLoad - assist,
    wanted,
    error: q.bodyLoad - assist - wanted,
    note,
  });
  const ideal = q.bodyLoad - wanted;
  if (ideal <= 0) return of(0, "finished");
  const rounded = Math.ceil(ideal / q.plate - 1e-9) * q.plate;
  if (q.stepPct === 0) return of(q.assist, "ok");
  // a step back always helps more; a step up always helps less, on any plate, or it is no step (corrections K8)
  if (q.stepPct < 0) return of(Math.min(q.bodyLoad, rounded), "ok");
  if (rounded < q.assist - 1e-9) return of(rounded, "ok");
  const onePlate = Math.floor((q.assist - 1e-9) / q.plate) * q.plate;
  const pct = ((q.assist - onePlate) / effectiveNow) * 100;
  if (q.mostStepPct !== undefined && pct <= q.mostStepPct && onePlate >= 0) return of(onePlate, "one_plate");
  return of(q.assist, "reps_first");
}
