"use client";
import { useRouter } from "next/navigation";
import type { Body } from "@/core/body/segments";
import type { Muscle } from "@/core/schedule/balance";
import type { GymMachine } from "@/core/selection/setUp/machineFor";
import type { Marker } from "@/core/story/markers";
import type { PainfulArc } from "@/core/strength/painfulArc";
import type { MassUnit } from "@/core/units/mass";
import type { Feel } from "@/core/visit/watched/feel";
import type { ClientEpisode } from "@/server/client/clients";
import { shortDay } from "@/ui/dates";
import type { Owner } from "@/ui/outbox";
import { DEED_SENTENCES } from "@/words/en/access";
import { soreWords } from "@/words/en/plan/muscles";
import type { OpenVisit } from "../../../../ui/visit/useVisit";
import { FloorTop } from "./_visit/FloorTop";
import { VisitLane } from "./_visit/VisitLane";
import { RecheckGate, type RecheckShown } from "./RecheckGate";
import { useStart } from "./useStart";

export interface FloorLaneProps {
  client: ClientEpisode;
  /** the sheet that is run, or that is about to be */
  sheet: {
    sheetId: string;
    versionId: string;
    name: string;
    lines: number;
    minutes: number;
    isShort: boolean;
    /** the date of a goal in the coming week: half the sets until then */
    thinUntil: string | null;
    /** muscle groups with a set less: they were very sore after the last visit */
    sore: readonly Muscle[] | null;
  };
  /** a visit that is under way, with its whole log */
  open: OpenVisit | null;
  painMax: number;
  body: Body;
  machines: GymMachine[];
  /** movements that bring it on */
  markers: readonly Marker[];
  /** what was said of lines in earlier visits, the newest first */
  feels: readonly Feel[];
  /** lines that come into where it hurts */
  painful: Readonly<Record<string, PainfulArc>>;
  /** whose advice is shown */
  conditionIds: readonly string[];
  /** pounds stand beside kilograms for who reads them */
  massUnit: MassUnit;
  locale: string;
  mayRun: boolean;
  /** who is signed in: what is logged here is theirs */
  who: Owner;
  /** the warning signs asked before the first set */
  recheck: RecheckShown;
}

/** One lane of the floor: warning signs, then line after line of the sheet. */
export function FloorLane(props: FloorLaneProps) {
  const { client, sheet, open } = props;
  const router = useRouter();
  const { answer, problem, isBusy } = useStart(client.clientId, sheet.versionId, () => router.refresh());
  if (open && props.mayRun) return <VisitLane {...props} open={open} />;
  return (
    <main data-theme="gym" className="flex min-h-dvh flex-col bg-base-200 text-base-content">
      <FloorTop client={client} painMax={props.painMax} />
      <p className="px-4 pt-4 text-[22px] lg:px-8">
        <b>{sheet.name}</b> · {sheet.lines} {sheet.lines === 1 ? "line" : "lines"}, about {sheet.minutes} min
        {sheet.isShort && ", short today: a set fewer of each"}
        {sheet.sore && `, a set less ${soreWords(sheet.sore)}: very sore after the last visit`}
        {sheet.thinUntil && `, half the sets: a goal is on ${shortDay(sheet.thinUntil, props.locale)}`}
      </p>
      {props.mayRun ? (
        <RecheckGate ask={props.recheck} onAnswer={answer} problem={problem} isBusy={isBusy} />
      ) : (
        <p className="px-8 py-6 text-xl">{DEED_SENTENCES["session.run"]}</p>
      )}
    </main>
  );
}
