// SPDX-License-Identifier: GPL-3.0-or-later
// The radios of other people, put together from all places where somebody listened, and how loud they are
// elsewhere.
#pragma once
#include <cstdint>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "base/said.h"
#include "project/project.h"

namespace yemvo {

struct NeighbourRadio {
    std::string name;     ///< empty: hidden
    std::string address;  ///< empty: not known
    Channel channel;      ///< as heard last
    int primary = 36;
    double use = 0;  ///< the most that was heard
    int stations = 0;
    struct Reading {
        FloorId floor;
        ListeningPlaceId place;
        std::size_t index;  ///< into its `heard`
        Point at;
        double dbm;
    };
    std::vector<Reading> readings;  ///< at least one
    double strongest_dbm() const;
    /// "neighbour Pier 4 staff", "hidden neighbour on 36".
    Said label() const;
};

struct Neighbours {
    std::vector<NeighbourRadio> radios;
    std::uint64_t key = 0;  ///< equal for equal content
};

/// Those of the plan's own (Neighbour::own) are left out. Those without address are each a radio.
std::shared_ptr<const Neighbours> neighbours_of(const Project&);

/// Level [dBm] of a radio at a place of a floor, from where it was heard on that floor; none where it was not
/// heard on it.
///
/// Nobody knows where the radio stands. It is taken to send 20 dBm, which by the level tells how far off it
/// is: D = 10^((20 - L - L1) / 30), L1 free space over 1 m, 30 the distance power loss coefficient of ITU-R
/// P.1238 in offices. d from where it was heard it lies sqrt(D^2 + d^2) off in the mean of all directions:
/// the level is L - 15 log10(1 + d^2 / D^2). Of several readings the mean, weighted by 1 / (1 m^2 + d^2).
class NeighbourLevels {
public:
    NeighbourLevels(const NeighbourRadio&, FloorId);
    bool heard() const { return !readings_.empty(); }
    std::optional<double> at(Point) const;

private:
    struct Reading {
        Point at;
        double dbm, distance2_m2;
    };
    std::vector<Reading> readings_;
};

}  // namespace yemvo
