import { cookies } from "next/headers";
import { SESSION_COOKIE } from "@/app/_web/actor";
import { mustBeSameOrigin, problemResponse } from "@/app/_web/route";
import { signOut } from "@/server/auth/signIn";

export async function POST(request: Request): Promise<Response> {
  try {
    mustBeSameOrigin(request);
    const jar = await cookies();
    const token = jar.get(SESSION_COOKIE)?.value;
    if (token) await signOut(token);
    jar.delete(SESSION_COOKIE);
    return Response.json({ ok: true });
  } catch (error) {
    return problemResponse(error);
  }
}
