// SPDX-License-Identifier: GPL-3.0-or-later
// Which cable leads from each access point of the current variant to which port, how long it is, and what
// that asks of the switches.
//
//   link_m = (way + drops) (1 + slack_share) + slack_m        permanent link
//   channel_m = link_m + cords_m
//
// `way` is along floors and risers, drops are from the access point up to where cables run and down to the
// panel. The limits are ISO/IEC 11801-1 and ANSI/TIA-568.2 (CablingBook).
#pragma once
#include <set>

#include "cabling/cable_network.h"

namespace yemvo {

struct SwitchPort {
    std::size_t of = 0;  ///< index into the closet's switches
    int port = 1;
    friend bool operator==(const SwitchPort&, const SwitchPort&) = default;
};

struct CableRun {
    FloorId floor;
    AccessPointId access_point;
    int number = 0;
    FloorId closet_floor;
    ClosetId closet;     ///< none: no way leads to one
    OutletId outlet;     ///< that it uses; none: a cable of its own
    double way_m = 0;    ///< along floors and risers
    double drops_m = 0;  ///< at both ends
    double link_m = 0, channel_m = 0;
    std::vector<CableLeg> legs;               ///< from the access point, or its outlet, to the closet
    std::optional<PowerSource> wants;         ///< that its settings go by
    double draw_w = 0;                        ///< at most, at the access point
    const PowerClass* power_class = nullptr;  ///< none: a supply of its own, or not told
    double port_w = 0;                        ///< what it draws, with what the cable takes
    std::optional<SwitchPort> port;           ///< none: no switch has one left
    std::optional<PowerSource> gets;          ///< of the port; none: no power
    bool is_short_of_power() const {
        return wants && *wants != PowerSource::dc && port && (!gets || *gets < *wants);
    }
};

struct SwitchUse {
    int ports_used = 0;
    double class_w = 0;  ///< that the ports set aside for their classes
    double drawn_w = 0;  ///< expected
};
struct ClosetUse {
    FloorId floor;
    ClosetId closet;
    int runs = 0;
    int without_port = 0;  ///< where switches are told
    std::vector<SwitchUse> switches;
};

struct CablePlan {
    std::vector<CableRun> runs;      ///< by floor, then by number
    std::vector<ClosetUse> closets;  ///< every one of the site, by floor
    double cable_m = 0;              ///< of new cables: links
    int new_cables = 0, outlets_used = 0;
    bool closets_are_risers = false;  ///< in any building with several floors
};

/// Throws Cancelled.
CablePlan plan_cables(const Project&, const CancelToken& = {});

bool has_closets(const Project&);

/// The access points whose cables end at that switch.
std::set<AccessPointId> fed_by(const CablePlan&, ClosetId, std::size_t of);

/// Permanent link of a way with its drops.
double link_m(const CablingBook&, double way_m);

/// The longest permanent link: with its cords it has to keep to the channel's length, too.
double longest_link_m(const CablingBook&);

/// Watts that a port sends for what a device of that class draws at the end of the cable.
double port_w(const PowerClass&, double draw_w, double cable_m);

}  // namespace yemvo
