// Reads a picture: looks at its size before it is decoded, turns it upright, shrinks it, and says what it looks like.

import { createHash } from "node:crypto";
import sharp from "sharp";
import { type Look, lookAt } from "@/core/workshop/proof/photo-look";
import { badField, Refusal } from "../refusal";

export const MAX_BYTES = 25 * 1024 * 1024;
const LARGEST = 2000;
const SMALL = 480;
/** Sharpness means something only at one size. */
const LOOKED_AT = 1024;

export interface StoredPhoto {
  sha256: string;
  mime: string;
  width: number;
  height: number;
  bytes: Buffer;
  small: Buffer;
  look: Look;
}

/** A camera's largest; a small file can claim far more, and decoding that would fill the memory. */
const MOST_PIXELS = 64e6;

/** Reads, turns upright and shrinks. Throws a Refusal when the bytes are no picture, or a picture too large. */
export async function preparePhoto(input: Buffer): Promise<StoredPhoto> {
  if (input.length > MAX_BYTES) throw new Refusal(413, "The photo is larger than 25 MB.");
  const limits = { limitInputPixels: MOST_PIXELS, sequentialRead: true, pages: 1 };
  try {
    const meta = await sharp(input, { ...limits, limitInputPixels: false }).metadata();
    if (!["jpeg", "png", "webp", "heif"].includes(meta.format ?? "")) throw new Error("format");
    const pixels = (meta.width ?? 0) * (meta.height ?? 0);
    if (pixels > MOST_PIXELS) throw badField("photo", `has ${Math.round(pixels / 1e6)} million pixels, 64 million are the most`);
    const { data, info } = await sharp(input, limits)
      .rotate()
      .resize(LARGEST, LARGEST, { fit: "inside", withoutEnlargement: true })
      .jpeg({ quality: 84 })
      .toBuffer({ resolveWithObject: true });
    const look = await looked(data, Math.max(meta.width ?? 0, meta.height ?? 0));
    const small = await sharp(data).resize(SMALL, SMALL, { fit: "inside" }).jpeg({ quality: 74 }).toBuffer();
    return {
      sha256: createHash("sha256").update(data).digest("hex"),
      mime: "image/jpeg",
      width: info.width,
      height: info.height,
      bytes: data,
      small,
      look,
    };
  } catch (e) {
    if (e instanceof Refusal) throw e;
    throw new Refusal(415, "That is no photo. Take a picture, or choose a JPEG, PNG or WebP file.");
  }
}

async function looked(picture: Buffer, longSide: number): Promise<Look> {
  const { data, info } = await sharp(picture)
    .resize(LOOKED_AT, LOOKED_AT, { fit: "inside" })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const nine = await sharp(picture).resize(9, 8, { fit: "fill" }).greyscale().raw().toBuffer();
  return lookAt({ width: info.width, height: info.height, data }, nine, longSide);
}
