"use client";
import type { Said } from "@/core/units/said";
import { useLabels, useSay } from "@/ui/reader";
import { ForgetLink } from "./ForgetLink";

/** A link that does not open, with what to do; it says nothing about anybody. */
export function LinkClosed({ why }: { why: Said }) {
  const [say, t] = [useSay(), useLabels("link")];
  return (
    <main className="mx-auto max-w-[430px] px-5 py-10">
      <ForgetLink />
      <h1 className="text-[26px] leading-tight">{t("closed")}</h1>
      <p className="mt-3 text-[17px]">{say(why)}</p>
    </main>
  );
}
