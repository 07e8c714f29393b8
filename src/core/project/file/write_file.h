// SPDX-License-Identifier: GPL-3.0-or-later
// A project as the parts of a file.
#pragma once
#include <functional>
#include <string>
#include <vector>

#include "project/project.h"

namespace yemvo {

/// An entry of the project that was asked for, which must outlive it.
struct FilePart {
    std::string entry;
    /// Text of UTF-8, a thing a line, always in the same order.
    std::function<std::string()> text;
    /// Whether it is the same in another value of the project, told at once; it may say no where nothing has
    /// changed.
    std::function<bool(const Project& other)> same_in;
};

/// The outline first. Assets are not among them.
std::vector<FilePart> file_parts(const Project&);

}  // namespace yemvo
