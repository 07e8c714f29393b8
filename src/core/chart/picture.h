// SPDX-License-Identifier: GPL-3.0-or-later
// A picture as numbers: of a scan, a photo, a page.
#pragma once
#include <cstdint>
#include <string>
#include <vector>

namespace yemvo {

struct Colour {
    std::uint8_t red = 0, green = 0, blue = 0;
    friend bool operator==(const Colour&, const Colour&) = default;
};

/// Rows from the top, three bytes a pixel: red, green, blue.
struct Picture {
    int width = 0, height = 0;
    std::vector<std::uint8_t> rgb;
    std::string name = {};  ///< where it is from, for messages
};

}  // namespace yemvo
