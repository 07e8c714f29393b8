// The whole project as JSON: the text of project.json in a project file.
#pragma once
#include <string>
#include <string_view>

#include "project/project.h"

namespace yemvo {

inline constexpr int format_version = 6;

/// Pretty-printed, always in the same order, so that it diffs. Assets are not in it.
std::string project_to_json(const Project&);

/// Throws Error naming the place of the first fault: not JSON, a newer version, a missing or absurd value, an
/// id that is used twice or names nothing.
Project project_from_json(std::string_view text);

}  // namespace yemvo
