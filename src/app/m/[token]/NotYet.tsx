"use client";
import { OPENS_AT } from "@/core/visit/morningOpens";
import { useLabels } from "@/ui/reader";

/** Before the night after the exercises there is nothing to ask. */
export function NotYet() {
  const t = useLabels("morning");
  return (
    <main className="mx-auto max-w-[430px] px-5 py-8">
      <h1 className="text-[28px] leading-tight">{t("not_yet")}</h1>
      <p className="mt-3 text-[18px]">{t("opens_at", { at: OPENS_AT })}</p>
    </main>
  );
}
