import type { Metadata, Viewport } from "next";
import { cookies } from "next/headers";
import { Toaster } from "sonner";
import { Nonce } from "@/ui/kit/nonce";
import "./globals.css";

export const metadata: Metadata = {
  title: { default: "Wide Lane", template: "%s · Wide Lane" },
  description: "Sequences campervan conversions.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1, themeColor: "#0E4A45" };

export default async function Root({ children }: { children: React.ReactNode }) {
  const chosen = (await cookies()).get("wide_lane_theme")?.value;
  const theme = chosen === "dark" || chosen === "light" ? chosen : undefined;
  return (
    <html lang="en-GB" data-theme={theme}>
      <body>
        <Nonce />
        {children}
        <Toaster
          position="bottom-center"
          toastOptions={{ classNames: { toast: "!rounded-md !border-line !bg-card !text-ink !font-sans", description: "!text-muted" } }}
        />
      </body>
    </html>
  );
}
