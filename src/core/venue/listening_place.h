// SPDX-License-Identifier: GPL-3.0-or-later
// Places where somebody listened to the air, and the radios of other people that were heard there.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "base/id.h"
#include "geometry/point.h"
#include "wireless/channel.h"

namespace yemvo {

using ListeningPlaceId = Id<struct ListeningPlaceTag>;

/// A radio as it was heard at one place.
struct Neighbour {
    std::string name;     ///< of its network; empty: hidden
    std::string address;  ///< "02:1e:5a:07:10:24"; the same one heard at several places is one radio; may be
                          ///< empty
    Channel channel;
    int primary = 36;
    double level_dbm = -75;  ///< as a client would hear it
    double use = 0.1;        ///< share [0, 1] of time that it and its clients send
    int stations = 0;
    int names = 1;                          ///< networks that it sends
    std::string standard;                   ///< "ax"; empty: not told
    std::optional<double> told_dbm = {};    ///< transmit power that it tells
    std::optional<double> retries = {};     ///< share [0, 1] of its frames that were sent again
    std::optional<AccessPointId> own = {};  ///< it is none of other people's, but this one of the plan
    friend bool operator==(const Neighbour&, const Neighbour&) = default;
};

struct ListeningPlace {
    ListeningPlaceId id;
    std::string name;
    Point position;
    std::vector<Neighbour> heard;
    GroupId group = {};
    friend bool operator==(const ListeningPlace&, const ListeningPlace&) = default;
};

}  // namespace yemvo
