// SPDX-License-Identifier: GPL-3.0-or-later
// The first answer: how many access points a site needs before any stands, from its zones and their demand
// alone. Two rules are held against each other, zone by zone and band by band: how far a radio reaches, and
// how much of the air demand takes; clients for each radio are a third. A start, not a plan: no wall is
// traced.
//
// Reach by ITU-R P.1238-10 (1): L = 20 log10 f + N log10 d - 28, N of offices (table 2: 30 below 3 GHz, else
// 31), with a margin for what stands about. Air by the frames of wireless/frame_time.h, aggregates full.
#pragma once
#include <algorithm>
#include <string>
#include <vector>

#include "capacity/demand_table.h"

namespace yemvo {

/// What is chosen for a band.
struct AnswerBand {
    bool used = true;
    int width_mhz = 20;
    double eirp_dbm = 18, power_dbm = 14;  ///< the second conducted
    double signal_dbm = -67;               ///< at the edge of what a radio has to reach
    int streams = 2;
    friend bool operator==(const AnswerBand&, const AnswerBand&) = default;
};

struct AnswerWish {
    std::string hour;
    ModelId model;                  ///< the one that is counted
    std::vector<AnswerBand> bands;  ///< by band index
    double most_air = 0.6;          ///< of the air that a radio may use
    double most_clients = 60;       ///< for each radio
    double lowest_rate_mbps = 12;   ///< of beacons
    int networks = 2;               ///< names on the air
    double margin_db = 8;           ///< for what stands about, on top of the office exponent
    friend bool operator==(const AnswerWish&, const AnswerWish&) = default;
};
/// The project's busy hour, its requirements' signal, its networks, and the first model of the gear that
/// hangs under a ceiling with a radio for most bands, at the middle of its power.
AnswerWish usual_answer(const Project&);

enum class AnswerRule {
    area,     ///< how far a radio reaches
    airtime,  ///< how much of the air is asked for
    clients,  ///< how many clients a radio may have
    shared,   ///< too small for one of its own: served from beside it
};

/// One band in one zone, in radios; the parts are no whole numbers.
struct AnswerOfBand {
    double clients = 0;
    double air = 0;  ///< of one radio's air that demand asks for
    double by_area = 0, by_air = 0, by_clients = 0;
    double needed() const { return std::max({by_area, by_air, by_clients}); }
    AnswerRule rule() const;
};

struct AnswerZone : ZoneFigures {
    std::vector<AnswerOfBand> bands;  ///< by band index
    int access_points = 0;
    AnswerRule rule = AnswerRule::area;
    BandId decides = band_5;  ///< the band that asks for most
    double share = 0;         ///< of an access point beside it, where shared
};

struct AnswerFloor : FloorFigures {
    int access_points = 0;
    int shared = 0;  ///< of them for zones too small for their own
};

struct FirstAnswer {
    std::vector<AnswerZone> zones;
    std::vector<AnswerFloor> floors;
    DemandFigures site;
    int access_points = 0;
    std::vector<int> radios;         ///< by band index
    std::vector<double> reach_m;     ///< by band index
    std::vector<double> cell_m2;     ///< that one radio covers in a honeycomb
    std::vector<int> channels;       ///< that do not overlap, at the width
    bool short_of_channels = false;  ///< somewhere more radios do not help: they share channels
    UplinkLoad uplink;
};

/// Distance at which the level is reached [m]; 0 where not even the nearest is.
double reach_m(BandId, double eirp_dbm, double level_dbm, double margin_db);
/// Served zones with an area or people; throws Error where there is none.
FirstAnswer first_answer(const Project&, const AnswerWish&);

/// Places spread evenly over an outline, the same each time.
std::vector<Point> rough_positions(const std::vector<Point>& outline, int count);

struct RoughPlace {
    FloorId floor;
    ZoneId zone;
    Point at;
};
/// As many as the answer counts, each in its zone; those for small zones in the ones that ask for most.
/// `only`: on that floor; none: on all.
std::vector<RoughPlace> rough_places(const Project&, const FirstAnswer&, FloorId only = {});
/// Access points of the wish's model there, at its widths, on channels in turn.
std::vector<AccessPointId> place_as_a_start(Project&, const AnswerWish&, const std::vector<RoughPlace>&);

/// A site of which nothing more is known: a rectangle a floor, with people who do what is usual.
struct PlainSite {
    double length_m = 40, width_m = 20;
    int floors = 1;
    double people = 100;  ///< on all floors together
    std::string use = "offices";
};
Project plain_site(const PlainSite&);

}  // namespace yemvo
