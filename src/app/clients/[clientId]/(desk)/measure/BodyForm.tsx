"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { bodyInput } from "@/core/body/bodyInput";
import { kgFromLb, lbFromKg, type MassUnit, trimZeros } from "@/core/units/mass";
import { readNumber } from "@/core/units/readNumber";
import type { ClientEpisode } from "@/server/client/clients";
import { Field } from "@/ui/form/Field";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";

const text = (n: number): string => trimZeros(n.toFixed(1));

/** Height, mass and shank length: torque by the load cell and the machine's dose depend on them. */
export function BodyForm({
  client,
  massUnit,
  mayWrite,
}: {
  client: ClientEpisode;
  massUnit: MassUnit;
  mayWrite: boolean;
}) {
  const router = useRouter();
  const [mass, setMass] = useState(text(massUnit === "kg" ? client.bodyMassKg : lbFromKg(client.bodyMassKg)));
  const [height, setHeight] = useState(String(client.heightM));
  const [shank, setShank] = useState(client.shankLengthM === null ? "" : text(client.shankLengthM * 100));
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState(false);
  const save = async () => {
    setSaved(false);
    const typedMass = readNumber(mass);
    const input = {
      bodyMassKg: massUnit === "kg" ? typedMass : kgFromLb(typedMass),
      heightM: readNumber(height),
      shankLengthM: shank.trim() === "" ? null : readNumber(shank) / 100,
    };
    const parsed = bodyInput.safeParse(input);
    if (!parsed.success)
      return setProblems(Object.fromEntries(parsed.error.issues.map((i) => [i.path.join("."), i.message])));
    const sent = await send(`/api/clients/${client.clientId}/body`, parsed.data);
    if (!sent.ok)
      return setProblems(Object.fromEntries(sent.problems.map((p) => [p.field || "form", p.sentence])));
    setProblems({});
    setSaved(true);
    router.refresh();
  };
  return (
    <form
      className="mt-6 grid gap-2 border-t border-rule pt-4"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <h2 className="text-[17px]">Body</h2>
      <Field
        label="body mass"
        name="bodyMassKg"
        unit={massUnit}
        inputMode="decimal"
        value={mass}
        disabled={!mayWrite}
        onChange={(e) => setMass(e.target.value)}
        problem={problems.bodyMassKg}
      />
      <Field
        label="height"
        name="heightM"
        unit="m"
        inputMode="decimal"
        value={height}
        disabled={!mayWrite}
        onChange={(e) => setHeight(e.target.value)}
        problem={problems.heightM}
      />
      <Field
        label="shank length"
        name="shankLengthM"
        unit="cm"
        inputMode="decimal"
        value={shank}
        disabled={!mayWrite}
        onChange={(e) => setShank(e.target.value)}
        problem={problems.shankLengthM}
        hint={
          shank.trim() === "" ? "not measured: 24.6 % of height is used" : "joint line to the outer ankle"
        }
      />
      <Problem sentence={problems.form ?? null} />
      {mayWrite && (
        <p className="flex items-center gap-3">
          <button type="submit" className="btn btn-sm btn-line">
            Save body
          </button>
          <span className="small quiet" aria-live="polite">
            {saved && "Saved. Tests already taken keep their torque."}
          </span>
        </p>
      )}
    </form>
  );
}
