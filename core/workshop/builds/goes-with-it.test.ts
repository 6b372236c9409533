// What is told in writing at the handover.

import { expect, it } from "vitest";
import { entry } from "../testing/entry";
import { goesWithIt } from "./goes-with-it";

const rust = (data: object) => entry("mark", "Gutter", { what: "rust", view: "left", x: 1, y: 1, areaDm2: 2, grade: 1, ...data });

it("light bloom that was accepted is told with the lead's name; what is to be treated is not", () => {
  expect(goesWithIt({ records: [rust({ accepted: "Mara" }), rust({})] })).toEqual([
    "Sealed in as it was: Gutter, rust, grade 1, 2 dm², accepted as it is by Mara",
  ]);
});
it("so is what others had covered, and seats that are not for the road", () => {
  const records = [
    entry("others", "Old beacon", { by: "workshop", who: "the fleet", area: "roofUnits", state: "done", covered: "covered" }),
    entry("owner", "Ada", { payer: "a", user: "b", leisureSeats: 2 }),
  ];
  expect(goesWithIt({ records })).toEqual([
    "Not ours: Old beacon, by the fleet: covered when the van came, no photo of it",
    "2 leisure seats: nobody sits there while driving",
  ]);
  expect(goesWithIt({ records: [] })).toEqual([]);
});
