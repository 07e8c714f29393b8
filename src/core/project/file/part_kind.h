// SPDX-License-Identifier: GPL-3.0-or-later
// A project file is made of parts: one a domain of the project, and for each floor what stands on it. A part
// is a JSON object in an entry of its own, with a version of its own.
#pragma once
#include <nlohmann/json_fwd.hpp>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "project/json_parse.h"
#include "project/json_write.h"

namespace yemvo {

/// From a part's object as one version wrote it to the next. What it is given may be wrong in any way: it
/// changes what it knows and leaves the rest for the reader to refuse. Large lists stand as they were read.
using JsonStep = void (*)(Json&, const Reading&);

/// How a part of an Owner (the project, a floor, a list of access points) is written and read.
template <class Owner>
struct PartKind {
    const char* key;  ///< the name of its entry, and what its "part" says
    Json (*write)(const Owner&, LargeLists&);
    /// Of the newest version only. What is absent or wrong throws Error, or is set aside.
    void (*read)(const Reader&, Owner&);
    /// Whether the part is the same in both, told at once; null: only its text can tell. It may say no where
    /// nothing has changed.
    bool (*same)(const Owner&, const Owner&) = nullptr;
    /// Lists that are read while they are parsed; `root`: what the part's own object is called.
    std::vector<LargeList> (*large)(std::string_view root) = nullptr;
    std::span<const JsonStep> steps = {};  ///< [i]: from version i + 1
    /// Left out of the file while it holds nothing.
    bool (*is_empty)(const Owner&) = nullptr;

    int version() const { return static_cast<int>(steps.size()) + 1; }
};

}  // namespace yemvo
