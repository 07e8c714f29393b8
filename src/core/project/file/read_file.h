// SPDX-License-Identifier: GPL-3.0-or-later
// A project out of its parts.
#pragma once
#include "project/file/part_source.h"

namespace yemvo {

inline constexpr const char* outline_entry = "project.json";
inline constexpr int format_version = 8;

struct ReadProject {
    Project project;
    std::vector<SetAside> aside;  ///< what could not be read or kept, in a tolerant reading
};

/// Throws Error naming the entry and the place of the first fault: a missing entry, not JSON, a newer
/// version, a missing or absurd value, an id that is used twice or names nothing. Tolerant: a part, or what
/// is in it, that cannot be read is set aside, and what referred to it is mended or set aside as well; only
/// where the outline is no project at all it is refused. Assets are not read.
ReadProject read_project(const PartSource&, bool tolerant);

/// Adds the assets whose bytes are whole.
void read_assets(const PartSource&, Project&);
/// The project, which keeps what could not be read of it.
Project with_aside(ReadProject);

}  // namespace yemvo
