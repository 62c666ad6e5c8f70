import { ReaderProvider } from "@/ui/reader";
import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/bricolage-grotesque";
import type { Metadata, Viewport } from "next";
import { cookies } from "next/headers";
import { NuqsAdapter } from "nuqs/adapters/next/app";
import type { ReactNode } from "react";
import { FocusKeeper } from "@/ui/keys/FocusKeeper";
import { LocaleProvider } from "@/ui/locale";
import { Notices } from "@/ui/shell/Notices";
import { SkipLink } from "@/ui/shell/SkipLink";
import { ownPreferences } from "./_web/actor";
import "./globals.css";

export const metadata: Metadata = {
  title: { default: "Bexlo", template: "%s · Bexlo" },
  description: "Leg work for sore and healing knees: measured, dosed, timed, decided.",
};

export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get("theme")?.value;
  const wants = await ownPreferences();
  return (
    <html
      lang="en"
      data-theme={theme === "gym" || theme === "paper" ? theme : undefined}
      data-keys={wants?.keysOn === false ? "off" : undefined}
      data-sound={wants?.soundOn === false ? "off" : undefined}
    >
      <body className="bg-base-200 text-base-content">
        <SkipLink />
        <FocusKeeper />
        <Notices />
        <LocaleProvider locale={wants?.locale ?? "en-GB"}>
          <ReaderProvider language="en" massUnit={wants?.massUnit ?? "kg"}>
            <NuqsAdapter>{children}</NuqsAdapter>
          </ReaderProvider>
        </LocaleProvider>
      </body>
    </html>
  );
}
