// SPDX-License-Identifier: GPL-3.0-or-later
// Project files: a zip of the project's parts and the drawings' own bytes under assets/.
// docs/format/README.md.
#pragma once
#include <filesystem>

#include "project/project.h"
#include "project/safe_file.h"
#include "project/versions.h"

namespace yemvo {

struct Loaded {
    Project project;
    std::vector<Said> warnings;  ///< what could not be read; the rest is whole
    FileMark mark;               ///< the file as it was when it was read
};

/// A part that cannot be read is set aside in the project (Project::aside) and told as a warning, as is a
/// drawing whose bytes are missing or damaged. Throws Error naming the file and the place when nothing useful
/// can be read: no such file, no project, cut short, damaged, from a newer version.
Loaded load_project(const std::filesystem::path&);

struct Saved {
    FileMark mark;               ///< the new file's
    std::vector<Said> warnings;  ///< that the version before could not be kept among the versions
};

/// The file that was there is kept as "name~" and, where `versions` is given, among them. What was written is
/// read back and held against the project before it takes the old file's place. Throws Error; then the file
/// is as it was.
Saved save_project(const Project&, const std::filesystem::path&, const Versions* versions = nullptr);

}  // namespace yemvo
