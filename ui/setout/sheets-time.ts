// Sheets about hours: holds, passes, second hands, the day and the date.

import { number, rows, sheet, tick, words } from "./fields-short";
import type { Sheet } from "./sheets";

export const TIME_SHEETS: readonly Sheet[] = [
  sheet(
    "go-no-go",
    "Go or no-go",
    "Time and hands",
    [
      words("now", "Now, as 10:30", true),
      words("sunset", "Sunset"),
      words("rain", "Rain from", true),
      words("shiftEnd", "End of the shift", true),
      number("caution", "Caution, times the work", undefined, true),
      number("marginDusk", "Before dusk", "min", true),
      number("marginRain", "Before rain", "min", true),
      rows("steps", "All steps to watertight", "step", words("name", "Step"), number("minutes", "Minutes"), tick("drying", "Dries")),
    ],
    {
      now: "",
      sunset: "16:48",
      rain: "15:20",
      shiftEnd: "",
      caution: "1.4",
      marginDusk: "30",
      marginRain: "45",
      steps: [
        { name: "set out, drill", minutes: "35", drying: false },
        { name: "cut", minutes: "15", drying: false },
        { name: "deburr", minutes: "10", drying: false },
        { name: "coat dries", minutes: "40", drying: true },
        { name: "clean, prime", minutes: "30", drying: false },
        { name: "primer dries", minutes: "20", drying: true },
        { name: "bed and set", minutes: "25", drying: false },
        { name: "seal over", minutes: "15", drying: false },
      ],
    },
  ),
  sheet(
    "disturbed-hold",
    "A hold that was disturbed",
    "Time and hands",
    [
      number("holdH", "Hold", "h"),
      number("refC", "At", "°C"),
      number("q", "Faster every 10 °C, times", undefined, true),
      number("minC", "Nothing below", "°C", true),
      tick("moved", "Moved while it had to stand"),
      rows("stretches", "How warm it was, the last goes on", "stretch", number("hours", "Hours", undefined, true), number("tempC", "°C")),
    ],
    {
      holdH: "20",
      refC: "20",
      q: "2",
      minC: "",
      moved: false,
      stretches: [
        { hours: "6", tempC: "18" },
        { hours: "", tempC: "8" },
      ],
    },
  ),
  sheet(
    "passes",
    "First piece, then the run",
    "Time and hands",
    [
      number("pieces", "Pieces"),
      number("first", "First pass, each", "min"),
      number("hold", "Hold", "min"),
      number("second", "Second pass, each", "min"),
    ],
    { pieces: "6", first: "20", hold: "90", second: "15" },
  ),
  sheet(
    "mixes",
    "Mixes by open time",
    "Time and hands",
    [
      number("pieces", "Pieces"),
      number("pieceMinutes", "A piece, alone", "min"),
      number("openMinutes", "It stays open", "min"),
      number("mixMinutes", "A mix, made and cleaned", "min"),
      tick("pair", "A second pair of hands"),
    ],
    { pieces: "12", pieceMinutes: "6", openMinutes: "20", mixMinutes: "8", pair: false },
  ),
  sheet(
    "second-hands",
    "A second pair of hands",
    "Time and hands",
    [
      words("from", "Could begin, as 08:30"),
      number("before", "Alone before", "min"),
      number("pair", "Together", "min"),
      number("after", "Alone after", "min"),
      number("kg", "Weighs", "kg", true),
      tick("glass", "Glass"),
      number("propMinutes", "With a prop, more", "min", true),
      rows("helper", "When the other is free", "window", words("from", "From"), words("to", "To")),
    ],
    {
      from: "08:30",
      before: "70",
      pair: "25",
      after: "40",
      kg: "",
      glass: false,
      propMinutes: "",
      helper: [
        { from: "09:00", to: "09:20" },
        { from: "10:15", to: "11:30" },
      ],
    },
  ),
  sheet(
    "hands-date",
    "Hands against the date",
    "Time and hands",
    [
      number("hoursLeft", "Work that is left", "h"),
      number("hoursADay", "Hours a day"),
      number("share", "Share that is worked", undefined, true),
      rows("people", "Days until the date", "person", words("name", "Who"), number("days", "Days"), tick("sure", "Sure")),
    ],
    {
      hoursLeft: "88",
      hoursADay: "7.5",
      share: "0.85",
      people: [
        { name: "A", days: "12", sure: true },
        { name: "B", days: "4", sure: false },
      ],
    },
  ),
];
