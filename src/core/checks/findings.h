// SPDX-License-Identifier: GPL-3.0-or-later
// A model that checks itself: what is drawn but cannot be meant, where, why, and how to mend it.
#pragma once
#include <functional>
#include <optional>
#include <string>
#include <string_view>

#include "base/progress.h"
#include "base/said.h"
#include "capacity/asked.h"
#include "project/items.h"
#include "project/project.h"
#include "propagation/scene.h"
#include "tuning/meetings.h"

namespace yemvo {

enum class Rule {
    no_scale,
    gap,
    doubled_wall,
    wall_through,
    opening_outside,
    opening_over,
    zone_overlap,
    room_open,
    not_aligned,
    slab_missing,
    type_without_loss,
    inside_wall,
    above_ceiling,
    outside_venue,
    radio_unfed,
    antenna_unfit,
    demand_unknown,
    demand_empty,
    demand_unserved,
    uplink_narrow,
    many_networks,
    cable_nowhere,
    cable_long,
    port_missing,
    port_weak,
    switch_watts,
    switch_uplink,
    set_aside,
    // of the air, in the order of air_rules.cpp
    no_country_data,
    channel_barred,
    eirp_over,
    wide_24,
    odd_24,
    long_radar_wait,
    radar_seen,
    all_dfs,
    not_scanned,
    slow_lowest_rate,
    equal_powers,
    way_back_weak,
    left_automatic,
    air_lost,
    partly_over,
    channel_full,
    too_loud,
    wide_for_heard,
    clients_talk,
    spill,
    needless_24,
    legacy_unserved,
    heard_otherwise,
    use_measured,
    retries_measured,
};
inline constexpr int rule_count = 53;

/// From where on a rule finds something; the project may have another (AirBook::limits, under the rule's
/// key).
struct RuleLimit {
    double usual, low, high;
    int decimals;
    std::string_view unit;  ///< "dB", "%"; empty: a count
    std::string_view what;  ///< "Air lost to one other radio, at most"
};

struct RuleInfo {
    Rule rule;
    std::string_view key;   ///< in files
    std::string_view name;  ///< "Gap between walls"
    std::string_view why;   ///< what it does to the prediction, one sentence
    std::optional<RuleLimit> limit = {};
};
const RuleInfo& rule_info(Rule);
/// The project's own where it has one, kept within bounds. The rule must have one.
double limit_of(const Project&, Rule);
/// The usual one is not kept in the project.
void set_limit(Project&, Rule, double);

/// What is known of the site's air, for the rules that ask for it.
struct KnownAir {
    SiteAir air;
    std::vector<AirMeeting> meetings;
    std::vector<Spill> spill;
    /// Share of time in use as each radio hears it, at the fullest busy hour; empty where no demand is known.
    std::vector<double> heard_use;
    AskedByHour asked;  ///< empty likewise
};

/// A change that ends the finding.
struct Mend {
    Said label;  ///< "Join them"
    std::function<void(Project&)> apply;
};

/// What the window opens where a mend needs the user's hand.
enum class Remedy { none, scale_tool, align_tool, types_page };

struct Finding {
    Rule rule;
    FloorId floor;  ///< 0: of the whole project
    Point place{};
    bool has_place = false;
    Said what;                            ///< "ends 8 cm short of the next wall"
    std::vector<Item> items;              ///< on the floor
    std::vector<std::uint32_t> subjects;  ///< ids that tell it from others of its rule
    std::vector<Mend> mends;              ///< the best first
    Remedy remedy = Remedy::none;
    WallTypeId type;                    ///< that it is about
    std::optional<std::string> waived;  ///< the note with which it was accepted
};

/// Of the project as it is now, with what its last prediction knows. `capacity` may be null.
KnownAir known_air(const Project&, const SiteHearing&, const SiteCapacity* capacity);

/// Of all floors, by rule and floor. Throws Cancelled.
/// `air`: null while it is not known; then its rules find nothing.
std::vector<Finding> findings(const Project&, const Scene&, const CancelToken& = {},
                              const KnownAir* air = nullptr);

/// Accepts the finding, or takes that back (no note). `whole_zone`: with it all of its rule in its zone, now
/// and later; taking back ends that for the whole zone.
void waive(Project&, const Finding&, const std::optional<std::string>& note, bool whole_zone = false);

/// The zone that the finding's place lies in; 0 where it lies in none.
ZoneId zone_of(const Project&, const Finding&);

}  // namespace yemvo
