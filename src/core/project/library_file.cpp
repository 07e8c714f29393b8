// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/library_file.h"

namespace yemvo {

void check_library_file(const Reader& r, const char* format, const std::string& name) {
    if (r.at("format").text() != format) r.at("format").fail(say("is not '%1'", std::string(format)));
    const int version = r.at("version").integer();
    if (version == 1) return;
    throw Error(version > 1 ? say("was written by a newer Yemvo") : say("has no version that there ever was"),
                name, say("Open it with the Yemvo that wrote it"));
}

}  // namespace yemvo
