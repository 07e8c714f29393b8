// SPDX-License-Identifier: GPL-3.0-or-later
// The whole project as one text of JSON, as files up to format 7 had it; a file has it in parts (file/).
#pragma once
#include <string>
#include <string_view>

#include "project/file/read_file.h"

namespace yemvo {

/// A thing a line, always in the same order, so that it diffs. Assets are not in it.
std::string project_to_json(const Project&);

/// Throws Error naming the place of the first fault, as read_project() does.
Project project_from_json(std::string_view text);
ReadProject project_from_json(std::string_view text, bool tolerant);

}  // namespace yemvo
