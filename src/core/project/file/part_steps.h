// SPDX-License-Identifier: GPL-3.0-or-later
// A part's object, whatever version it is of, through its steps to the one reader.
#pragma once
#include <nlohmann/json.hpp>

#include "project/file/part_kind.h"

namespace yemvo {

/// Throws Error where the version is a newer one than the program's, or none.
template <class Owner>
void read_part(const Reader& r, int version, const PartKind<Owner>& kind, Owner& owner) {
    if (version > kind.version())
        throw Error(say("was written by a newer Yemvo (version %1 of the part '%2', this one reads up to %3)",
                        version, std::string(kind.key), kind.version()),
                    r.path(), say("Open it with that version"));
    if (version < 1) r.fail(say("has no version of the part '%1'", std::string(kind.key)));
    if (version == kind.version()) return kind.read(r, owner);
    Json json = r.value();
    for (const JsonStep step : kind.steps.subspan(static_cast<std::size_t>(version) - 1))
        step(json, *r.reading());
    kind.read(Reader(json, r.path(), r.reading()), owner);
}

/// Of a text that holds the whole project, where `versions` (null: there is none) tells of each part how new
/// it is; a part without is as its first version was.
template <class Owner>
void from_inside(const Reader& r, const Json* versions, const PartKind<Owner>& kind, Owner& owner) {
    r.part([&] {
        int version = 1;
        if (versions && versions->is_object())
            if (const auto told = versions->find(kind.key); told != versions->end())
                version = Reader(*told, std::string("project.json: parts.") + kind.key).integer();
        read_part(r, version, kind, owner);
    });
}

}  // namespace yemvo
