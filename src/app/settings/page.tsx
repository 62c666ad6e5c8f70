import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { preferencesOf } from "@/server/auth/preferences";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { SettingsForm } from "./SettingsForm";

export const metadata: Metadata = { title: "Settings" };

/** How things are shown to one person; nothing that is stored changes. */
export default async function SettingsPage() {
  const { actor, data } = await onPage(preferencesOf);
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <h1 className="text-[26px]">Settings</h1>
        <p className="mb-4">
          How things are shown to you, {actor.name}. What is stored stays in kilograms and metres.
        </p>
        <SettingsForm now={data} />
      </main>
    </>
  );
}
