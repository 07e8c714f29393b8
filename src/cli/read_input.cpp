// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/read_input.h"

#include <filesystem>
#include <fstream>
#include <iterator>

namespace yemvo::cli {

std::string read_input(const std::string& file, const Said& if_folder) {
    if (std::filesystem::is_directory(file)) throw Error(say("is a folder"), file, if_folder);
    std::ifstream in(file, std::ios::binary);
    if (!in)
        throw Error(say("cannot be read"), file, say("Check that the file exists and that you may read it"));
    return {std::istreambuf_iterator<char>(in), {}};
}

}  // namespace yemvo::cli
