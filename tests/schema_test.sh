#!/usr/bin/env bash
# SPDX-License-Identifier: GPL-3.0-or-later
# schema_test.sh CLI CORE_TESTS SCHEMA: the parts of the demo and of projects after random edits keep to the schema, and the schema refuses broken ones.
set -euo pipefail
folder=$(mktemp -d)
trap 'rm -rf "$folder"' EXIT
"$1" demo --out "$folder/demo.yemvo" >/dev/null
YEMVO_KEEP_RANDOM="$folder" "$2" "500 edits of every kind*" >/dev/null
/usr/bin/python3 - "$folder" "$3" <<'PY'
import glob, json, sys, zipfile
import jsonschema
schema = json.load(open(sys.argv[2]))
jsonschema.Draft7Validator.check_schema(schema)
def validator_of(part):
    return jsonschema.Draft7Validator({"definitions": schema["definitions"], "$ref": f"#/definitions/{part}_part"})
validators = {name[:-5]: validator_of(name[:-5]) for name in schema["definitions"] if name.endswith("_part")}
def parts_of(file):
    archive = zipfile.ZipFile(file)
    return {name: json.loads(archive.read(name)) for name in archive.namelist() if not name.startswith("assets/")}
def faults_of(part):
    return [f"{'/'.join(map(str, e.absolute_path))}: {e.message}" for e in validators[part["part"]].iter_errors(part)]
demo = parts_of(sys.argv[1] + "/demo.yemvo")
whole = jsonschema.Draft7Validator(schema)
for name, part in demo.items():
    assert not faults_of(part), (name, faults_of(part)[:5])
    assert whole.is_valid(part), name  # one of the parts, and only one
def of_kind(key):
    return next(part for part in demo.values() if part["part"] == key and len(json.dumps(part)) > 200)
for key, break_it in (("outline", lambda p: p.pop("buildings")),
                      ("outline", lambda p: p["buildings"][0]["floors"][0].update(height_m="high")),
                      ("types", lambda p: p["wall_types"][0].update(colour=1)),
                      ("things", lambda p: p["slab"].pop("type")),
                      ("access_points", lambda p: p["access_points"][0]["radios"].clear())):
    broken = json.loads(json.dumps(of_kind(key)))
    break_it(broken)
    assert faults_of(broken), "a broken part passed: " + key
written = sorted(set(glob.glob(sys.argv[1] + "/*.yemvo")) - {sys.argv[1] + "/demo.yemvo"})
assert len(written) == 15, written
seen = set()
for file in written:
    for name, part in parts_of(file).items():
        assert not faults_of(part), (file, name, faults_of(part)[:5])
        seen.add(part["part"])
assert seen >= set(validators) - {"aside"}, seen
types = json.load(open(sys.argv[2].replace("project.", "types.")))
jsonschema.Draft7Validator.check_schema(types)
gear = json.load(open(sys.argv[2].replace("project.", "gear.")))
jsonschema.Draft7Validator.check_schema(gear)
library = {"format": "yemvo-gear", "version": 1, **json.load(open(sys.argv[2].replace("docs/format/project.schema", "data/gear")))}
library.pop("about")
jsonschema.Draft7Validator(gear).validate(library)
library["models"][0]["radios"][0]["bands"][0]["chains"]["transmit"] = -1
assert not jsonschema.Draft7Validator(gear).is_valid(library), "a broken library passed"
print(len(demo), "parts of the demo and", len(written), "projects after 100 to 500 random edits keep to the schema; five broken parts do not")
PY
