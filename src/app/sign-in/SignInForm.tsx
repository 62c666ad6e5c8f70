"use client";
import { zodResolver } from "@hookform/resolvers/zod";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";

const form = z.object({
  email: z.string().trim().min(1, { error: "Enter your e-mail address." }),
  password: z.string().min(1, { error: "Enter your password." }),
});

export function SignInForm() {
  const [problem, setProblem] = useState<string | null>(null);
  const { register, handleSubmit, formState } = useForm<z.infer<typeof form>>({
    resolver: zodResolver(form),
  });
  const submit = handleSubmit(async (values) => {
    setProblem(null);
    const sent = await send("/api/sign-in", values);
    if (sent.ok) window.location.assign("/");
    else setProblem(sent.problems[0]?.sentence ?? "Signing in did not work. Try again.");
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
        <input
          {...register("email")}
          type="email"
          autoComplete="username"
          aria-invalid={formState.errors.email ? true : undefined}
          className="input w-full border-rule bg-base-100"
        />
        <span className="small text-error" role="alert">
          {formState.errors.email?.message}
        </span>
      </label>
      <label className="grid gap-1">
        Password
        <input
          {...register("password")}
          type="password"
          autoComplete="current-password"
          aria-invalid={formState.errors.password ? true : undefined}
          className="input w-full border-rule bg-base-100"
        />
        <span className="small text-error" role="alert">
          {formState.errors.password?.message}
        </span>
      </label>
      <Problem sentence={problem} />
      <button type="submit" className="btn btn-primary" disabled={formState.isSubmitting}>
        Sign in
      </button>
      <p className="small quiet">Nobody has an account without a clinic; ask your clinic's admin for one.</p>
    </form>
  );
}
