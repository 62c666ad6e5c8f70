"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { relativeDay } from "@/ui/dates";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { Link } from "@/ui/Link";
import { MiniRail } from "@/ui/rail/MiniRail";

export interface TodayLane {
  clientId: string;
  name: string;
  detail: string;
  week: string;
  window: { fromDeg: number; toDeg: number };
  /** the angle of the first hold that is planned */
  holdDeg: number | null;
  sheets: string[];
  last: { before: number | null; after: number | null; morning: number | null; on: string } | null;
  next: string;
  href: string;
  needsHand: boolean;
  /** attempts of the last week that were refused; said to therapists */
  refused: number;
  /** pain is above the most allowed before any work */
  isSore: boolean;
}

const dash = (n: number | null): string => (n === null ? "–" : String(n));

/** The day as lanes: who, the rail in small, the last response, and the one next thing. */
export function TodayList({ lanes, todayIso }: { lanes: TodayLane[]; todayIso: string }) {
  const router = useRouter();
  const [at, setAt] = useState(0);
  const move = (by: number) => setAt((i) => Math.min(lanes.length - 1, Math.max(0, i + by)));
  if (lanes.length === 0)
    return (
      <p className="border-t border-rule py-8">
        No clients yet. A therapist enters the first one with “New client”.
      </p>
    );
  return (
    <>
      <table className="lanes w-full border-collapse text-left">
        <thead>
          <tr className="small quiet border-b border-rule">
            <th className="py-2 pl-4 font-normal">who</th>
            <th className="py-2 font-normal">knee flexion allowed, and the sheets</th>
            <th className="py-2 font-normal">joint pain before → after → next morning</th>
            <th className="py-2 font-normal">next</th>
          </tr>
        </thead>
        <tbody>
          {lanes.map((l, i) => (
            <tr
              key={l.clientId}
              aria-selected={i === at}
              className={`border-b border-rule align-top ${i === at ? "border-l-4 border-l-primary bg-base-100" : "border-l-4 border-l-transparent"}`}
              onMouseEnter={() => setAt(i)}
            >
              <td className="py-4 pl-4 pr-4">
                <Link href={l.href} className="display text-lg hover:underline">
                  {l.name}
                </Link>
                <p>{l.detail}</p>
                <p className="small quiet">{l.week}</p>
              </td>
              <td className="w-[300px] py-4 pr-6">
                <MiniRail fromDeg={l.window.fromDeg} toDeg={l.window.toDeg} holdDeg={l.holdDeg} />
                <p className="small">{l.sheets.length > 0 ? l.sheets.join(" · ") : "no sheet yet"}</p>
              </td>
              <td className="py-4 pr-6">
                {l.last ? (
                  <>
                    <p className="text-[22px] font-bold">
                      {dash(l.last.before)} → {dash(l.last.after)} → {dash(l.last.morning)}
                    </p>
                    <p className="small quiet">{relativeDay(l.last.on, todayIso)}</p>
                  </>
                ) : (
                  <p className="quiet">no visit yet</p>
                )}
              </td>
              <td className="w-[300px] py-4 pr-3">
                <Link href={l.href} className="flex gap-2 font-bold text-primary hover:underline">
                  <NextMark needsHand={l.needsHand} />
                  <span>{l.next}</span>
                </Link>
                {l.isSore && (
                  <p className="small ml-6 text-accent">Pain is above the most allowed before any work.</p>
                )}
                {l.refused > 0 && (
                  <Link href={`/clients/${l.clientId}/record`} className="small quiet ml-6 underline">
                    {l.refused === 1 ? "one attempt was" : `${l.refused} attempts were`} refused this week
                  </Link>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-4">
        <KeysHelp
          deeds={[
            { key: "j", words: "next client", run: () => move(1) },
            { key: "k", words: "previous client", run: () => move(-1) },
            {
              key: "Enter",
              label: "enter",
              words: "open what comes next",
              run: () => router.push(lanes[at]?.href ?? "/"),
            },
          ]}
        />
      </div>
    </>
  );
}

function NextMark({ needsHand }: { needsHand: boolean }) {
  return (
    <svg width={16} height={20} viewBox="0 0 16 20" aria-hidden className="shrink-0">
      {needsHand ? (
        <path d="M 8 4 L 14 10 L 8 16 L 2 10 Z" strokeWidth={1.8} className="fill-base-100 stroke-mark" />
      ) : (
        <path d="M 4 5 L 11 10 L 4 15" fill="none" strokeWidth={2.2} className="stroke-primary" />
      )}
    </svg>
  );
}
