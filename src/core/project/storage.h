// Project files: a zip of project.json and the drawings' own bytes under assets/. docs/format/README.md.
#pragma once
#include <filesystem>

#include "project/project.h"

namespace yemvo {

struct Loaded {
    Project project;
    std::vector<std::string> warnings;  ///< what could not be read; the rest is whole
};

/// Throws Error naming the file and the place when nothing useful can be read: no such file, no project, cut
/// short, damaged, from a newer version. A drawing whose bytes are missing or damaged is a warning.
Loaded load_project(const std::filesystem::path&);

/// The file that was there is kept as "name~". Throws Error; then the file is as it was.
void save_project(const Project&, const std::filesystem::path&);

}  // namespace yemvo
