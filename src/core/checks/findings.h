// SPDX-License-Identifier: GPL-3.0-or-later
// A model that checks itself: what is drawn but cannot be meant, where, why, and how to mend it.
#pragma once
#include <functional>
#include <string>
#include <string_view>

#include "base/progress.h"
#include "base/said.h"
#include "project/items.h"
#include "project/project.h"
#include "propagation/scene.h"

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
    set_aside,
};
inline constexpr int rule_count = 22;

struct RuleInfo {
    Rule rule;
    std::string_view key;   ///< in files
    std::string_view name;  ///< "Gap between walls"
    std::string_view why;   ///< what it does to the prediction, one sentence
};
const RuleInfo& rule_info(Rule);

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

/// Of all floors, by rule and floor. Throws Cancelled.
std::vector<Finding> findings(const Project&, const Scene&, const CancelToken& = {});

/// Accepts the finding, or takes that back (no note).
void waive(Project&, const Finding&, const std::optional<std::string>& note);

}  // namespace yemvo
