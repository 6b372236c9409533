// Takes the upload of a photo of something kept of a build: a mark on the van, what came out, a fault.

import type { NextRequest } from "next/server";
import { addRecordPhoto } from "@/server/proof/photos";
import { takePhoto } from "../../../photo-upload";

export const dynamic = "force-dynamic";

export async function POST(request: NextRequest, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  return takePhoto(request, (user, bytes) => addRecordPhoto(user, id, bytes, request.nextUrl.searchParams.get("shows") ?? undefined));
}
