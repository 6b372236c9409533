# Reads the DXF and SVG files of a folder with programs that are not ours, and says what stands in each. Called by drawings.test.ts.

import json
import sys
import xml.etree.ElementTree as tree
from pathlib import Path

import ezdxf

out = {}
for path in sorted(Path(sys.argv[1]).iterdir()):
    if path.suffix == ".dxf":
        doc = ezdxf.readfile(path)
        kinds = {}
        points = []
        for e in doc.modelspace():
            kinds[e.dxftype()] = kinds.get(e.dxftype(), 0) + 1
            if e.dxftype() == "LINE":
                points += [tuple(e.dxf.start)[:2], tuple(e.dxf.end)[:2]]
        out[path.name] = {
            "errors": [str(x.message) for x in doc.audit().errors],
            "layers": sorted({e.dxf.layer for e in doc.modelspace()}),
            "kinds": kinds,
            "box": [min(x for x, _ in points), max(x for x, _ in points), min(y for _, y in points), max(y for _, y in points)] if points else None,
        }
    elif path.suffix == ".svg":
        root = tree.parse(path).getroot()
        out[path.name] = {
            "tag": root.tag,
            "viewBox": root.get("viewBox"),
            "width": root.get("width"),
            "elements": sum(1 for _ in root.iter()),
        }
print(json.dumps(out))
