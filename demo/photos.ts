// Draws the demo's proof photos: what a shot would show, in plain shapes, as a JPEG made on the spot.

import sharp from "sharp";
import { random, seedOf } from "../core/rng";
import { preparePhoto, type StoredPhoto } from "../server/proof/prepare-photo";

const W = 960;
const H = 720;

/** A picture for a proof shot; the same for the same shot. */
export function drawPhoto(buildName: string, jobName: string, shot: string): Promise<StoredPhoto> {
  const r = random(seedOf(`${buildName} ${jobName} ${shot}`));
  const tone = 150 + Math.floor(r() * 60);
  const tilt = (r() - 0.5) * 6;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${H}" viewBox="0 0 ${W} ${H}">
  <defs>
    <radialGradient id="lamp" cx="${30 + r() * 40}%" cy="${20 + r() * 30}%" r="80%">
      <stop offset="0" stop-color="#fff" stop-opacity=".5"/><stop offset="1" stop-color="#000" stop-opacity=".45"/>
    </radialGradient>
  </defs>
  <rect width="${W}" height="${H}" fill="rgb(${tone},${tone + 2},${tone - 4})"/>
  <g transform="rotate(${tilt} ${W / 2} ${H / 2})">${ribs(r)}${motif(shot, jobName, r)}</g>
  ${tape(r)}
  <rect width="${W}" height="${H}" fill="url(#lamp)"/>
  <g font-family="DejaVu Sans, sans-serif" font-size="24" fill="#fff"><rect x="24" y="${H - 74}" width="${Math.min(W - 48, 60 + 13.5 * (buildName.length + shot.length + 3))}" height="46" rx="4" fill="#1B2325" opacity=".78"/>
  <text x="40" y="${H - 43}">${esc(buildName)} · ${esc(shot)}</text></g></svg>`;
  // A camera gives pixels: the drawing is rasterised first, then takes the way of every upload.
  return sharp(Buffer.from(svg)).jpeg({ quality: 88 }).toBuffer().then(preparePhoto);
}

const esc = (s: string) => s.replace(/&/g, "&amp;").replace(/</g, "&lt;");

type R = () => number;

function ribs(r: R): string {
  let out = "";
  const step = 190 + r() * 60;
  for (let x = 40 + r() * 60; x < W; x += step)
    out += `<rect x="${x}" y="-40" width="34" height="${H + 80}" fill="#00000022"/><rect x="${x + 3}" y="-40" width="5" height="${H + 80}" fill="#ffffff40"/>`;
  return out;
}

function motif(shot: string, job: string, r: R): string {
  const s = `${shot} ${job}`.toLowerCase();
  if (/edge|outline|bead|flange|window|glass/.test(s)) return opening(s, r);
  if (/gauge|readings|scales|display/.test(s)) return dial(r);
  if (/run|cable|wire|grommet|fuse|board before|light/.test(s)) return cables(r);
  if (/batten|backing|floor|bay of the body|channel/.test(s)) return battens(s, r);
  return panel(r);
}

function opening(s: string, r: R): string {
  const w = 380 + r() * 120;
  const h = 260 + r() * 80;
  const x = (W - w) / 2;
  const y = (H - h) / 2;
  const edge = /edge|bead/.test(s) ? "#20282a" : "#e9e6da";
  const fill = /outline/.test(s) ? "none" : /glass|flange/.test(s) ? "#31424a" : "#a9c4cf";
  return `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="58" fill="${fill}" stroke="${edge}" stroke-width="${/outline/.test(s) ? 5 : 22}" ${/outline/.test(s) ? 'stroke-dasharray="26 12"' : ""}/>
  <path d="M${x - 40} ${y - 26} h${w + 80}" stroke="#d8c66a" stroke-width="20" opacity=".8"/>`;
}

function dial(r: R): string {
  const a = (-40 + r() * 60) * (Math.PI / 180);
  return `<circle cx="480" cy="340" r="190" fill="#f5f3ec" stroke="#222" stroke-width="16"/>
  ${Array.from({ length: 11 }, (_, i) => {
    const t = ((-210 + i * 24) * Math.PI) / 180;
    return `<line x1="${480 + 150 * Math.cos(t)}" y1="${340 + 150 * Math.sin(t)}" x2="${480 + 172 * Math.cos(t)}" y2="${340 + 172 * Math.sin(t)}" stroke="#222" stroke-width="6"/>`;
  }).join("")}
  <line x1="480" y1="340" x2="${480 + 140 * Math.cos(a)}" y2="${340 + 140 * Math.sin(a)}" stroke="#b3301a" stroke-width="9"/><circle cx="480" cy="340" r="16" fill="#222"/>`;
}

function cables(r: R): string {
  const colours = ["#b3301a", "#20282a", "#2f5fa3", "#c9a21c", "#f0efe8"];
  return colours
    .map((c, i) => {
      const y = 180 + i * 62 + r() * 18;
      return `<path d="M-20 ${y} C 240 ${y - 60 * r()}, 420 ${y + 70 * r()}, ${W + 20} ${y - 20}" fill="none" stroke="${c}" stroke-width="13"/>${Array.from({ length: 4 }, (_, k) => `<rect x="${120 + k * 230}" y="${y - 16}" width="20" height="34" fill="#1B2325"/>`).join("")}`;
    })
    .join("");
}

function battens(s: string, r: R): string {
  const wool = /bay|insul/.test(s);
  let out = wool
    ? `<rect x="0" y="120" width="${W}" height="460" fill="#b9b6a5"/>`
    : `<rect x="0" y="90" width="${W}" height="540" fill="#c7b690"/>`;
  for (let i = 0; i < 5; i++)
    out += `<rect x="${-20}" y="${130 + i * 112 + r() * 8}" width="${W + 40}" height="34" fill="#9a7444"/><rect x="-20" y="${134 + i * 112}" width="${W + 40}" height="4" fill="#ffffff30"/>`;
  return out;
}

function panel(r: R): string {
  return `<rect x="150" y="120" width="660" height="460" rx="8" fill="#d7cfb9" stroke="#5e686a" stroke-width="4"/>
  ${Array.from({ length: 7 }, (_, i) => `<path d="M150 ${170 + i * 60} q 330 ${(r() - 0.5) * 30} 660 0" stroke="#00000018" stroke-width="3" fill="none"/>`).join("")}`;
}

function tape(r: R): string {
  const y = 560 + r() * 40;
  return `<g><rect x="60" y="${y}" width="560" height="34" fill="#e5c53c"/>${Array.from({ length: 28 }, (_, i) => `<line x1="${70 + i * 20}" y1="${y}" x2="${70 + i * 20}" y2="${y + (i % 5 ? 12 : 22)}" stroke="#222" stroke-width="2"/>`).join("")}</g>`;
}
