// The whole project as JSON: the text of project.json in a project file.
#pragma once
#include <istream>
#include <string>
#include <string_view>

#include "project/project.h"

namespace yemvo {

inline constexpr int format_version = 7;

/// A thing a line, always in the same order, so that it diffs. Assets are not in it.
std::string project_to_json(const Project&);

/// Throws Error naming the place of the first fault: not JSON, a newer version, a missing or absurd value, an
/// id that is used twice or names nothing.
Project project_from_json(std::string_view text);

struct ReadProject {
    Project project;
    std::vector<SetAside> aside;  ///< what could not be read or kept, in a tolerant reading
};

/// Tolerant: a part that cannot be read is set aside, and what referred to it is mended or set aside as well;
/// only a text that is no project at all is refused. Else as project_from_json.
ReadProject read_project(std::istream& text, bool tolerant);

}  // namespace yemvo
