"use client";
import { type FormEvent, useState } from "react";
import { z } from "zod";
import { issueSaid } from "@/core/units/wrong";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";
import { sayPlainly } from "@/words/say";

const form = z.object({
  email: z.string().trim().min(1, { error: "input.email" }),
  password: z.string().min(1, { error: "input.password" }),
});

export function SignInForm() {
  const [values, setValues] = useState({ email: "", password: "" });
  const [gaps, setGaps] = useState<Partial<Record<keyof typeof values, string>>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const submit = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    setProblem(null);
    const parsed = form.safeParse(values);
    const wrong = Object.fromEntries(
      (parsed.error?.issues ?? []).toReversed().map((i) => [i.path[0], sayPlainly(issueSaid(i))]),
    ) as typeof gaps;
    setGaps(wrong);
    if (!parsed.success) {
      e.currentTarget
        .querySelector<HTMLInputElement>(`[name=${wrong.email ? "email" : "password"}]`)
        ?.focus();
      return;
    }
    setBusy(true);
    const sent = await send("/api/sign-in", parsed.data);
    if (sent.ok) return window.location.assign(wantedAddress());
    setBusy(false);
    setProblem(sent.problems[0]?.sentence ?? "Signing in did not work. Try again.");
  };
  const input = (name: keyof typeof values) => ({
    name,
    value: values[name],
    onChange: (e: { target: { value: string } }) => setValues({ ...values, [name]: e.target.value }),
    "aria-invalid": gaps[name] ? true : undefined,
    className: "input w-full border-rule bg-base-100",
  });
  return (
    <form
      onSubmit={submit}
      // should it be sent before the script is there, the password must not land in the address
      method="post"
      noValidate
      className="grid gap-4 border-l-4 border-primary bg-base-100 p-6"
    >
      <h2 className="text-xl">Sign in</h2>
      <label className="grid gap-1">
        E-mail address
        <input {...input("email")} type="email" autoComplete="username" />
        <span className="small text-error" role="alert">
          {gaps.email}
        </span>
      </label>
      <label className="grid gap-1">
        Password
        <input {...input("password")} type="password" autoComplete="current-password" />
        <span className="small text-error" role="alert">
          {gaps.password}
        </span>
      </label>
      <Problem sentence={problem} />
      <button type="submit" className="btn btn-primary" disabled={isBusy}>
        Sign in
      </button>
      <p className="small quiet">Nobody has an account without a clinic; ask your clinic's admin for one.</p>
    </form>
  );
}

/** The page that somebody wanted before signing in: one of our own, or Today. */
function wantedAddress(): string {
  const to = new URLSearchParams(window.location.search).get("to") ?? "/";
  if (!to.startsWith("/") || to.startsWith("//") || to.startsWith("/\\") || to.startsWith("/sign-in"))
    return "/";
  const there = new URL(to, window.location.origin);
  return there.origin === window.location.origin ? `${there.pathname}${there.search}` : "/";
}
