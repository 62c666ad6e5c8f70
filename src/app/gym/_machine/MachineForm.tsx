"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { familyById } from "@/core/equipment/families";
import { loadSteps, settingsOf } from "@/core/equipment/loadSteps";
import { type Machine, notchesOf } from "@/core/equipment/machine";
import { kgWords, withPounds } from "@/core/units/mass";
import { Field } from "@/ui/form/Field";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { UnsavedBar } from "@/ui/form/UnsavedBar";
import { useUnsaved } from "@/ui/form/useUnsaved";
import { useMassUnit } from "@/ui/reader";
import { send } from "@/ui/send";
import { useSendOnce } from "@/ui/useSendOnce";
import { MachineSketch } from "./MachineSketch";
import { draftOf, type MachineDraft, machineDraft, machineOfDraft } from "./machineDraft";
import { useMarks } from "./useMarks";

const STEP_KINDS = { stack: "a stack with a pin", pairs: "plates in pairs", list: "single pieces" } as const;

/** A machine's name, steps, numbers and notches. */
export function MachineForm({
  machine,
  id,
  version,
  mayWrite,
}: {
  machine: Machine;
  /** null: a new machine */
  id: string | null;
  version: number;
  mayWrite: boolean;
}) {
  const router = useRouter();
  const family = familyById(machine.family);
  const massUnit = useMassUnit();
  const [draft, setDraft] = useState(() => draftOf(machine));
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState(false);
  const [base, setBase] = useState(draft);
  const left = useUnsaved({
    place: `machine ${id ?? `new ${machine.family}`}`,
    shape: machineDraft,
    draft,
    isChanged: mayWrite && JSON.stringify(draft) !== JSON.stringify(base),
  });
  const set = (part: Partial<MachineDraft>) => {
    setSaved(false);
    setDraft({ ...draft, ...part });
  };
  const sendOnce = useSendOnce();
  const save = async () => {
    const read = machineOfDraft(draft, machine);
    if (Object.keys(read.problems).length > 0) return setProblems(read.problems);
    let newId = "";
    const sent = id
      ? await send(`/api/machines/${id}`, { baseVersion: version, machine: read.machine })
      : await sendOnce("/api/machines", (of) => {
          newId = of;
          return { id: of, machine: read.machine };
        });
    if (!sent.ok)
      return setProblems(
        problemsByField(sent.problems.map((p) => ({ ...p, field: p.field.replace(/^machine\./, "") }))),
      );
    setProblems({});
    setSaved(true);
    setBase(draft);
    left.drop();
    if (id) router.refresh();
    else router.push(`/gym/${newId}`);
  };
  const read = machineOfDraft(draft, machine);
  const [deg, setDeg] = useState<number | undefined>(undefined);
  const { marks, numberOf, felt } = useMarks(read.machine, deg);
  const [active, setActive] = useState<string | null>(null);
  const form = useRef<HTMLFormElement>(null);
  const marked = (key: string, label: string) => {
    const n = numberOf(key);
    return n === null ? label : `${n} · ${label}`;
  };
  const steps = loadSteps.safeParse((read.machine as { steps: unknown }).steps);
  const known = new Set(["name", "place", "note"]);
  const elsewhere = Object.entries(problems).filter(
    ([f]) =>
      !known.has(f) && !f.startsWith("geometry.") && !f.startsWith("notches.") && !f.startsWith("steps"),
  );
  return (
    <form
      ref={form}
      onFocus={(e) => setActive(keyOf(e.target))}
      onBlur={() => setActive(null)}
      className="grid grid-cols-1 lg:grid-cols-[minmax(0,500px)_minmax(0,1fr)] gap-x-10 gap-y-5"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      {left.found && (
        <div className="lg:col-span-2">
          <UnsavedBar
            what="this machine"
            onTake={() => {
              if (left.found) setDraft(left.found);
              left.settled();
            }}
            onDrop={left.drop}
          />
        </div>
      )}
      <div className="grid content-start gap-3 lg:sticky lg:top-4 lg:self-start">
        <MachineSketch
          machine={read.machine}
          name={draft.name}
          marks={marks}
          numberOf={numberOf}
          active={active}
          range={family?.range ?? null}
          deg={deg}
          onDeg={setDeg}
          onPick={(key) =>
            // the press that picks it would take the focus away again
            setTimeout(() =>
              form.current
                ?.querySelector<HTMLElement>(`[name="geometry.${key}"], [name="notches.${key}"]`)
                ?.focus(),
            )
          }
        />
        {felt && <p className="max-w-[520px] border-l-4 border-rule pl-3">{felt}</p>}
      </div>
      <div className="grid max-w-[560px] content-start gap-4">
        <fieldset disabled={!mayWrite} className="grid content-start gap-2">
          <legend className="display mb-1 text-[16px]">What it is</legend>
          <TextLine
            label="name in this gym"
            name="name"
            value={draft.name}
            onChange={(name) => set({ name })}
            problem={problems.name}
          />
          <TextLine
            label="where it stands"
            name="place"
            value={draft.place}
            onChange={(place) => set({ place })}
            problem={problems.place}
          />
          <TextLine
            label="a note for who sets it"
            name="note"
            value={draft.note}
            onChange={(note) => set({ note })}
            problem={problems.note}
          />
          <label className="grid gap-1">
            <span className="small">loaded by</span>
            <select
              className="select select-sm w-full"
              value={draft.stepsKind}
              onChange={(e) => set({ stepsKind: e.target.value as MachineDraft["stepsKind"] })}
            >
              {Object.entries(STEP_KINDS).map(([kind, words]) => (
                <option key={kind} value={kind}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <label className="grid gap-1">
            <span className="small">printed on it are</span>
            <select
              className="select select-sm w-full"
              value={draft.markedIn}
              onChange={(e) => set({ markedIn: e.target.value as MachineDraft["markedIn"] })}
            >
              <option value="kg">kilograms</option>
              <option value="lb">pounds</option>
            </select>
          </label>
          {draft.stepsKind === "stack" && (
            <>
              <Field
                label="first pin"
                unit={draft.markedIn}
                name="first"
                inputMode="decimal"
                value={draft.first}
                onChange={(e) => set({ first: e.target.value })}
              />
              <Field
                label="each further pin"
                unit={draft.markedIn}
                name="step"
                inputMode="decimal"
                value={draft.step}
                onChange={(e) => set({ step: e.target.value })}
              />
              <Field
                label="pins"
                unit=""
                name="plates"
                inputMode="numeric"
                value={draft.plates}
                onChange={(e) => set({ plates: e.target.value })}
              />
              <Field
                label="pieces to hang on"
                unit={draft.markedIn}
                name="addOns"
                value={draft.addOns}
                onChange={(e) => set({ addOns: e.target.value })}
                hint="for example 2.5 or 1.25, 2.5"
              />
              <Field
                label="felt for one on the pin"
                unit=""
                name="pulley"
                hint="1 where the pin says what is felt; 0.5 where a pulley halves it"
                inputMode="decimal"
                value={draft.pulley}
                onChange={(e) => set({ pulley: e.target.value })}
              />
            </>
          )}
          {draft.stepsKind === "pairs" && (
            <TextLine
              label="plates there are for each side"
              name="perSide"
              value={draft.perSide}
              onChange={(perSide) => set({ perSide })}
              hint={`${MASS_NAMES[draft.markedIn]} x how many, for example ${draft.markedIn === "kg" ? "20 x 4, 10 x 2" : "45 x 4, 25 x 2"}`}
            />
          )}
          {draft.stepsKind === "list" && (
            <TextLine
              label={`pieces, ${draft.markedIn}`}
              name="items"
              value={draft.items}
              onChange={(items) => set({ items })}
              hint="for example 0.5, 1, 2"
            />
          )}
          {Object.entries(problems)
            .filter(([f]) => f.startsWith("steps"))
            .map(([f, sentence]) => (
              <Problem key={f} sentence={sentence} />
            ))}
          <p className="small quiet">
            {steps.success
              ? withPounds(stepWords(steps.data), massUnit)
              : "These steps do not make a machine yet."}
          </p>
        </fieldset>
        {family && family.geometry.length > 0 && (
          <fieldset disabled={!mayWrite}>
            <legend className="display mb-1 text-[16px]">What is measured on it once</legend>
            <div className="grid max-w-[440px] gap-1">
              {family.geometry.map((g) => (
                <Field
                  key={g.key}
                  label={marked(g.key, g.name)}
                  unit={g.unit}
                  name={`geometry.${g.key}`}
                  inputMode="decimal"
                  value={draft.geometry[g.key] ?? ""}
                  onChange={(e) => set({ geometry: { ...draft.geometry, [g.key]: e.target.value } })}
                  hint={g.how}
                  problem={problems[`geometry.${g.key}`]}
                />
              ))}
            </div>
          </fieldset>
        )}
        {family && family.settings.length > 0 && (
          <fieldset disabled={!mayWrite}>
            <legend className="display mb-1 text-[16px]">What is set for a client, and its notches</legend>
            <div className="grid gap-2">
              {family.settings
                .filter((s) => !s.words)
                .map((s) => (
                  <TextLine
                    key={s.key}
                    label={marked(s.key, `${s.name}${s.unit ? `, ${s.unit}` : ""}`)}
                    name={`notches.${s.key}`}
                    value={draft.notches[s.key] ?? ""}
                    onChange={(text) => set({ notches: { ...draft.notches, [s.key]: text } })}
                    problem={problems[`notches.${s.key}`]}
                    hint={
                      draft.notches[s.key]
                        ? s.meaning
                        : `empty: every ${shown(s.step, s.unit)} from ${shown(s.from, s.unit)} to ${shown(s.to, s.unit)}; ${s.meaning}`
                    }
                  />
                ))}
            </div>
            <p className="small quiet mt-1">
              Write label: number, for example 1: 52.5, 2: 55. Only these notches are ever proposed:{" "}
              {family.settings
                .filter((s) => !s.words)
                .reduce((n, s) => n * notchesOf(machine, s).length, 1)
                .toLocaleString("en-GB")}{" "}
              ways to set it as saved.
            </p>
          </fieldset>
        )}
        {!family && (
          <p>No model of the knee belongs to this kind: it is offered by limits and catalogue alone.</p>
        )}
        {elsewhere.map(([f, sentence]) => (
          <Problem key={f} sentence={sentence} />
        ))}
        {mayWrite && (
          <p className="flex items-center gap-3">
            <button type="submit" className="btn btn-primary btn-sm">
              {id ? "Save changes" : "Enter the machine"}
            </button>
            {saved && <span role="status">Saved.</span>}
          </p>
        )}
      </div>
    </form>
  );
}

const MASS_NAMES = { kg: "kilograms", lb: "pounds" } as const;

const shown = (value: number, unit: string): string =>
  unit === "cm" ? `${Math.round(value * 1000) / 10} cm` : `${value}${unit}`;

function stepWords(steps: ReturnType<typeof loadSteps.parse>): string {
  const all = settingsOf(steps);
  const last = all.at(-1);
  return `${all.length} real loads, ${kgWords(all[0]?.massKg ?? 0)} to ${kgWords(last?.massKg ?? 0)}`;
}

function TextLine({
  label,
  name,
  value,
  onChange,
  hint,
  problem,
}: {
  label: string;
  name: string;
  value: string;
  onChange: (text: string) => void;
  hint?: string;
  problem?: string;
}) {
  return (
    <label className="grid gap-0.5">
      <span>{label}</span>
      <input
        name={name}
        className={`input input-sm w-full border ${problem ? "border-error" : "border-rule"}`}
        value={value}
        onChange={(e) => onChange(e.target.value)}
        aria-invalid={problem ? true : undefined}
      />
      {(problem || hint) && (
        <span className={`small ${problem ? "text-error" : "quiet"}`} role={problem ? "alert" : undefined}>
          {problem ?? hint}
        </span>
      )}
    </label>
  );
}

/** The dimension or setting of the field that has the focus. */
function keyOf(target: EventTarget): string | null {
  const name = target instanceof HTMLInputElement ? target.name : "";
  return /^(?:geometry|notches)\.(.+)$/.exec(name)?.[1] ?? null;
}
