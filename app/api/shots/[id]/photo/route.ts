// Takes the upload of a photo for a proof shot.

import type { NextRequest } from "next/server";
import { addPhoto } from "@/server/proof/photos";
import { takePhoto } from "../../../photo-upload";

export const dynamic = "force-dynamic";

export async function POST(request: NextRequest, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  return takePhoto(request, (user, bytes) => addPhoto(user, id, bytes));
}
