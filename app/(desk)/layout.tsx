import { Frame } from "@/ui/frame/frame";
import { frameView } from "../_views/frame";
import { leadState } from "../_views/state";
import { requireLead } from "../_views/who";

export const dynamic = "force-dynamic";

export default async function Desk({ children }: { children: React.ReactNode }) {
  const user = await requireLead();
  return <Frame view={await frameView(await leadState(), user)}>{children}</Frame>;
}
