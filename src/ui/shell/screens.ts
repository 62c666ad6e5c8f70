/** Screens that belong to no single client, as the menu and the search list them. */
export const SCREENS = [
  { href: "/", name: "Today", about: "who comes, what is due" },
  { href: "/caseload", name: "Caseload", about: "everybody in care" },
  { href: "/outbox", name: "Outbox", about: "links for the morning after" },
  { href: "/gym", name: "Gym", about: "machines of the clinic" },
  { href: "/library", name: "Library", about: "exercises" },
  { href: "/files", name: "Files", about: "what comes in and goes out" },
  { href: "/clinic", name: "Clinic", about: "what stands on the clinic's paper" },
  { href: "/stances", name: "Stances", about: "where schools differ" },
  { href: "/sources", name: "Sources", about: "what rules and numbers rest on" },
] as const;

/** Screens that only the search lists. */
export const MORE_SCREENS = [
  { href: "/settings", name: "Settings", about: "kg or lb, dates, keys, sound" },
  { href: "/clients/new", name: "New client", about: "enter somebody" },
  { href: "/gym/new", name: "New machine", about: "enter a machine" },
  { href: "/library/new", name: "New exercise", about: "one of the clinic's own" },
] as const;

/** Steps of a client that can be opened from anywhere. */
export const CLIENT_STEPS = [
  ["story", "Story"],
  ["screen", "Screen"],
  ["limits", "Limits"],
  ["measure", "Measure"],
  ["choose", "Choose"],
  ["dose", "Dose"],
  ["week", "Week"],
  ["floor", "Floor"],
  ["morning", "Morning"],
  ["decide", "Decide"],
  ["ladder", "Ladder"],
  ["review", "Review"],
  ["costs", "Daily life"],
  ["explain", "Explain"],
  ["papers", "Papers"],
  ["cards", "Set-up cards"],
  ["swap", "Swap for today"],
  ["record", "Record of changes"],
] as const;

/** The menu's place for an address: a machine's page is part of Gym. */
export const isHere = (href: string, path: string): boolean =>
  href === "/" ? path === "/" : path === href || path.startsWith(`${href}/`);

/** The client of an address; null where it is nobody's. */
export const clientIn = (path: string): string | null =>
  /^\/clients\/([0-9a-f-]{36})(\/|$)/.exec(path)?.[1] ?? null;
