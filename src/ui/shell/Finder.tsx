"use client";
import { usePathname, useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import { Palette } from "@/ui/palette/Palette";
import { CLIENT_STEPS, clientIn, MORE_SCREENS, SCREENS } from "./screens";

/** As the route answers; names only. */
interface Found {
  clients: { id: string; name: string; hint: string }[];
  machines: { id: string; name: string; hint: string }[];
  exercises: { id: string; name: string }[];
}
const NOTHING: Found = { clients: [], machines: [], exercises: [] };

/** One search from anywhere: clients, this client's steps, screens, machines, exercises. `/` or Ctrl+K opens it. */
export function Finder() {
  const router = useRouter();
  const here = clientIn(usePathname());
  const dialog = useRef<HTMLDialogElement>(null);
  const [found, setFound] = useState(NOTHING);
  const [isLooking, setLooking] = useState(false);
  const open = useCallback(() => {
    dialog.current?.showModal();
    // names change: they are asked each time it is opened
    setLooking(true);
    void fetch("/api/find")
      .then(async (r) => {
        if (r.ok) setFound((await r.json()) as Found);
      })
      .catch(() => undefined)
      .finally(() => setLooking(false));
  }, []);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const isTyping = e.target instanceof HTMLElement && e.target.matches("input, textarea, select");
      const isAsked =
        (e.key === "k" && (e.ctrlKey || e.metaKey)) ||
        (e.key === "/" && !isTyping && !e.ctrlKey && !e.metaKey);
      if (!isAsked || document.querySelector("dialog[open]")) return;
      e.preventDefault();
      open();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [open]);
  const groups = [
    ...(here
      ? [
          {
            heading: "This client",
            entries: CLIENT_STEPS.map(([step, words]) => ({ id: `/clients/${here}/${step}`, words })),
          },
        ]
      : []),
    {
      heading: "Clients",
      entries: found.clients.map((c) => ({ id: `/clients/${c.id}`, words: c.name, hint: c.hint })),
    },
    {
      heading: "Screens",
      entries: [...SCREENS, ...MORE_SCREENS].map((s) => ({ id: s.href, words: s.name, hint: s.about })),
    },
    {
      heading: "Machines",
      entries: found.machines.map((m) => ({ id: `/gym/${m.id}`, words: m.name, hint: m.hint })),
    },
    {
      heading: "Exercises",
      entries: found.exercises.map((e) => ({ id: `/library/${e.id}`, words: e.name })),
    },
  ].filter((g) => g.entries.length > 0);
  return (
    <>
      <button type="button" className="cursor-pointer" onClick={open}>
        find <kbd>/</kbd>
      </button>
      <Palette
        ref={dialog}
        label="Find a client, a screen, a machine or an exercise"
        placeholder="Name of a client, screen, machine or exercise"
        groups={groups}
        isLooking={isLooking}
        onPick={(id) => router.push(id)}
      />
    </>
  );
}
