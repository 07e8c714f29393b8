#!/usr/bin/env bash
# schema_test.sh CLI CORE_TESTS SCHEMA: the demo and projects after random edits keep to the schema as written, and the schema refuses a broken one.
set -euo pipefail
folder=$(mktemp -d)
trap 'rm -rf "$folder"' EXIT
"$1" demo --out "$folder/demo.yemvo" >/dev/null
YEMVO_KEEP_RANDOM="$folder" "$2" "500 edits of every kind*" >/dev/null
/usr/bin/python3 - "$folder/demo.yemvo" "$3" "$folder" <<'PY'
import glob, json, sys, zipfile
import jsonschema
project = json.loads(zipfile.ZipFile(sys.argv[1]).read("project.json"))
schema = json.load(open(sys.argv[2]))
jsonschema.Draft7Validator.check_schema(schema)
validator = jsonschema.Draft7Validator(schema)
faults = [f"{'/'.join(map(str, e.absolute_path))}: {e.message}" for e in validator.iter_errors(project)]
assert not faults, faults[:5]
for break_it in (lambda p: p.pop("buildings"), lambda p: p["buildings"][0]["floors"][0].update(height_m="high"),
                 lambda p: p["wall_types"][0].update(colour=1), lambda p: p["variants"][0]["floors"][0]["access_points"][0]["radios"].clear()):
    broken = json.loads(json.dumps(project))
    break_it(broken)
    assert list(validator.iter_errors(broken)), "a broken project passed"
written = sorted(glob.glob(sys.argv[3] + "/*.json"))
assert len(written) == 15, written
for name in written:
    faults = [f"{'/'.join(map(str, e.absolute_path))}: {e.message}" for e in validator.iter_errors(json.load(open(name)))]
    assert not faults, (name, faults[:5])
types = json.load(open(sys.argv[2].replace("project.", "types.")))
jsonschema.Draft7Validator.check_schema(types)
print(len(written), "projects after 100 to 500 random edits keep to it;", "the demo project keeps to the schema; four broken ones do not")
PY
