// Takes the upload of a photo of a mark on the van.

import type { NextRequest } from "next/server";
import { addMarkPhoto } from "@/server/photos";
import { takePhoto } from "../../../photo-upload";

export const dynamic = "force-dynamic";

export async function POST(request: NextRequest, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  return takePhoto(request, (user, bytes) => addMarkPhoto(user, id, bytes));
}
