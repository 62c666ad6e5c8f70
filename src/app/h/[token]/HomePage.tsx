"use client";
import { useEffect, useState } from "react";
import type { Worn } from "@/core/selection/setUp/aid";
import type { GymMachine } from "@/core/selection/setUp/machineFor";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import type { HomeSheet } from "@/server/visits/home";
import { keepRun, keptRun, useOutbox } from "@/ui/outbox";
import { useLabels } from "@/ui/reader";
import type { OpenVisit } from "@/ui/visit/useVisit";
import { HomeRun } from "./HomeRun";
import { HomeStart } from "./HomeStart";

export interface HomeProps {
  token: string;
  clinic: string;
  sheet: HomeSheet;
  machines: readonly GymMachine[];
  /** by exercise: its name in the reader's language where there is one, what is used and worn, and what to mind */
  how: Record<string, { name: string | null; needs: string | null; worn: Worn; cues: readonly string[] }>;
}

/** What this phone has begun and not finished, kept so that it opens again without a network. */
interface Begun extends OpenVisit {
  on: string;
}

/** Has this page and its parts kept on the phone: the first time they came before there was anybody to keep them. */
async function keepForLater(): Promise<void> {
  if (!navigator.serviceWorker) return;
  await navigator.serviceWorker.register("/h/sw.js");
  const { active } = await navigator.serviceWorker.ready;
  const parts = performance.getEntriesByType("resource").map((r) => r.name);
  active?.postMessage({ keep: [window.location.href, ...parts] });
}

const dayHere = (): string => new Date().toLocaleDateString("sv-SE");

/** The sheet for home on a phone: warning signs, then each line with a picture and a timer; sent when there is a network. */
export function HomePage(props: HomeProps) {
  const { token, sheet, clinic } = props;
  const t = useLabels("atHome");
  const outbox = useOutbox({ key: `link ${token}`, name: "this link", personId: null, about: sheet.sheetId });
  const { post, waiting, refusal } = outbox;
  const [run, setRun] = useState<OpenVisit | null>(sheet.open);
  const [isStopped, setStopped] = useState(false);
  useEffect(() => {
    // without it the page needs a network to open; nothing else changes
    keepForLater().catch(() => undefined);
  }, []);
  useEffect(() => {
    if (sheet.open) return;
    keptRun<Begun>(`home ${token}`).then((kept) => {
      if (kept && kept.on === dayHere()) setRun(kept);
    });
  }, [token, sheet.open]);
  const begin = (signs: RecheckSign[]) => {
    const at = new Date().toISOString();
    const id = crypto.randomUUID();
    const visit = signs.length === 0 ? { id, versionId: sheet.versionId } : null;
    void post(`/api/l/${token}/home`, { recheckId: crypto.randomUUID(), signs, visit, at });
    if (!visit) return setStopped(true);
    const begun: Begun = { id, lines: sheet.lines, log: [], firstSide: sheet.firstSide, on: dayHere() };
    void keepRun(`home ${token}`, begun);
    setRun(begun);
  };
  const sent = refusal ?? t(waiting === 0 ? "sent" : "waits");
  if (isStopped) return <Notice title={t("nothing_today")}>{t("after_sign", { clinic, sent })}</Notice>;
  // what an earlier link could not bring goes first: nothing is run behind it
  if (outbox.earlier > 0 && (run === null || run === sheet.open))
    return (
      <Notice title={t("not_sent")}>
        {t("earlier", { n: outbox.earlier })}
        <button
          type="button"
          className="btn btn-primary mt-5 min-h-[60px] w-full text-[20px]"
          onClick={async () => {
            await outbox.handOver(
              (path) => path.replace(/^\/api\/l\/[^/]+/, `/api/l/${token}`),
              (body) =>
                typeof body === "object" && body !== null && "recheckId" in body
                  ? { ...body, isHandedOver: true }
                  : body,
            );
            window.location.reload();
          }}
        >
          {t("send_to", { clinic })}
        </button>
      </Notice>
    );
  if (run) return <HomeRun {...props} outbox={outbox} open={run} onSign={(sign) => begin([sign])} />;
  if (sheet.isDone) return <Notice title={t("done")}>{t("done_once")}</Notice>;
  if (sheet.barred) return <Notice title={t("not_today")}>{t("barred", { clinic })}</Notice>;
  if (sheet.isRest) return <Notice title={t("rest_day")}>{t("rest_day_why")}</Notice>;
  return <HomeStart sheet={sheet} how={props.how} onBegin={begin} />;
}

function Notice({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <main className="mx-auto max-w-[430px] px-5 py-8">
      <div role="status">
        <h1 className="text-[28px] leading-tight">{title}</h1>
        <p className="mt-3 text-[18px]">{children}</p>
      </div>
    </main>
  );
}
