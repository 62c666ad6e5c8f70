"use client";
import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";
import { LANGUAGES, type Language } from "@/core/units/language";
import type { MassUnit } from "@/core/units/mass";
import { ReaderProvider } from "@/ui/reader";
import { send } from "@/ui/send";
import { LANGUAGE_NAMES } from "@/words/languages";

/** A page behind a link, in the client's language, which is not asked in the middle of a set; the client changes it here, and papers follow. */
export function ForClient({
  token,
  language,
  massUnit,
  children,
}: {
  token: string;
  language: Language;
  massUnit: MassUnit;
  children: ReactNode;
}) {
  const router = useRouter();
  const [chosen, setChosen] = useState(language);
  const choose = async (to: Language) => {
    // without a network it holds for this page; the next one asks again
    setChosen(to);
    const answer = await send(`/api/l/${token}/language`, { language: to });
    if (!answer.ok) return;
    // where the page is kept for a time without a network, it is kept in this language
    navigator.serviceWorker?.controller?.postMessage({ keep: [window.location.href] });
    router.refresh();
  };
  return (
    <ReaderProvider language={chosen} massUnit={massUnit}>
      <div lang={chosen} className="group">
        <nav
          aria-label={LANGUAGES.map((l) => LANGUAGE_NAMES[l].label).join(", ")}
          className="mx-auto flex max-w-[430px] justify-end gap-4 px-5 pt-2 text-[16px] group-has-[[data-theme=gym]]:hidden"
        >
          {LANGUAGES.map((l) => (
            <button
              key={l}
              type="button"
              lang={l}
              aria-pressed={l === chosen}
              className={`min-h-[44px] cursor-pointer underline-offset-4 ${l === chosen ? "font-bold underline" : ""}`}
              onClick={() => choose(l)}
            >
              {LANGUAGE_NAMES[l].name}
            </button>
          ))}
        </nav>
        {children}
      </div>
    </ReaderProvider>
  );
}
