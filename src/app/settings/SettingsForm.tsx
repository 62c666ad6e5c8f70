"use client";
import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";
import { LOCALES, type Preferences } from "@/core/access/preferences";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";
import { ThemeSwitch } from "@/ui/shell/ThemeSwitch";

const A_DAY = new Date("2026-11-28T12:00:00Z");

/** A day and a number as they are written there: "28 Nov 2026, 1,234.5 (en-GB)". */
const written = (locale: string): string =>
  `${new Intl.DateTimeFormat(locale, { dateStyle: "medium", timeZone: "UTC" }).format(A_DAY)}, ${new Intl.NumberFormat(locale).format(1234.5)} (${locale})`;

/** Each choice is saved as it is made. */
export function SettingsForm({ now }: { now: Preferences }) {
  const router = useRouter();
  const [wants, setWants] = useState(now);
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState("");
  const change = async (over: Partial<Preferences>) => {
    const next = { ...wants, ...over };
    setWants(next);
    setSaid("");
    const sent = await send("/api/settings", next);
    setProblem(sent.ok ? null : (sent.problems[0]?.sentence ?? null));
    if (!sent.ok) return setWants(wants);
    setSaid("saved");
    document.documentElement.dataset.keys = next.keysOn ? "on" : "off";
    document.documentElement.dataset.sound = next.soundOn ? "on" : "off";
    router.refresh();
  };
  const check = (key: "keysOn" | "soundOn", words: string) => (
    <label className="flex cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={wants[key]}
        onChange={(e) => void change({ [key]: e.target.checked })}
      />
      {words}
    </label>
  );
  return (
    <div className="grid max-w-[720px]">
      <Row name="Loads" about="machines keep the marks they have">
        <select
          aria-label="Loads"
          className="select select-sm"
          value={wants.massUnit}
          onChange={(e) => void change({ massUnit: e.target.value as Preferences["massUnit"] })}
        >
          <option value="kg">kilograms</option>
          <option value="lb">pounds</option>
        </select>
      </Row>
      <Row name="Days and numbers" about="as they are written to you">
        <select
          aria-label="Days and numbers"
          className="select select-sm w-[340px] max-w-full"
          value={wants.locale}
          onChange={(e) => void change({ locale: e.target.value as Preferences["locale"] })}
        >
          {LOCALES.map((id) => (
            <option key={id} value={id}>
              {written(id)}
            </option>
          ))}
        </select>
      </Row>
      <Row name="Keys" about="digits for pain, space and arrows always work">
        {check("keysOn", "single letters do something")}
      </Row>
      <Row name="Sound" about="tones of the timers on the floor">
        {check("soundOn", "tones are heard")}
      </Row>
      <Row name="Colours" about="kept on this device">
        <ThemeSwitch />
      </Row>
      <Problem sentence={problem} />
      <p role="status" className="small quiet mt-2">
        {said}
      </p>
    </div>
  );
}

function Row({ name, about, children }: { name: string; about: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-1 sm:grid-cols-[230px_1fr] items-center gap-4 border-t border-rule py-3">
      <p>
        <b>{name}</b>
        <span className="small quiet block">{about}</span>
      </p>
      <div>{children}</div>
    </div>
  );
}
