// SPDX-License-Identifier: GPL-3.0-or-later
// Telecommunications closets: where switches stand and the cables of access points end.
#pragma once
#include <string>

#include "base/id.h"
#include "geometry/point.h"

namespace yemvo {

using ClosetId = Id<struct ClosetTag>;

struct Closet {
    ClosetId id;
    std::string name;  ///< as it is labelled: "TR-1"
    Point position;
    int racks = 1;
    GroupId group = {};
    friend bool operator==(const Closet&, const Closet&) = default;
};

}  // namespace yemvo
