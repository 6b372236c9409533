import { Frame } from "@/ui/frame/frame";
import { frameView } from "../_views/frame";
import { userState } from "../_views/state";

export const dynamic = "force-dynamic";

export default async function Desk({ children }: { children: React.ReactNode }) {
  const { state, user } = await userState();
  return <Frame view={frameView(state, user)}>{children}</Frame>;
}
