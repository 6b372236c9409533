import type { Metadata } from "next";
import { SetOut } from "@/ui/setout/setout";

export const metadata: Metadata = { title: "Set-out" };

export default async function Page({ searchParams }: { searchParams: Promise<{ sheet?: string }> }) {
  return <SetOut sheet={(await searchParams).sheet} />;
}
