// SPDX-License-Identifier: GPL-3.0-or-later
// Why an access point hangs where it does: what does not hold without it, and where else it could hang.
#pragma once
#include <functional>
#include <optional>

#include "capacity/site_verdicts.h"
#include "proposal/proposal_ask.h"

namespace yemvo {

/// What a verdict loses to another one.
struct VerdictLoss {
    RequirementId requirement;          ///< 0: all requirements of the band together
    std::optional<BandId> band;         ///< none: in whichever band
    bool fails = false;                 ///< held before; else it did not, and is further from it
    double share = 0, share_after = 0;  ///< of what is asked on the site
    double share_required = 0;
    FloorId floor;  ///< where most is lost
    ZoneId zone;    ///< 0: outside zones
    double share_there = 0, share_there_after = 0;
    std::string hour;  ///< key of the busy hour there; empty for area
};
/// What fails first, then by how much is lost of what is asked. Losses of less than 0.2 % of what did not
/// hold anyway are left out.
std::vector<VerdictLoss> losses(const Verdict& before, const Verdict& after);

/// The project without it, and with it at another place of its floor.
Project without_access_point(const Project&, AccessPointId);
Project with_access_point_at(const Project&, FloorId, AccessPointId, Point);

/// Where an access point may be moved so that all that holds still holds, what does not loses nothing to
/// speak of, and the distances of the ask are kept; its settings stay.
struct MovableArea {
    FloorId floor;
    Point from;                ///< where it hangs
    double step_m = 1;         ///< side of the cells
    std::vector<Point> cells;  ///< their lowest corners; of each all corners and the middle were tried
    double area_m2() const { return step_m * step_m * double(cells.size()); }
    bool contains(Point) const;
    /// The nearest place where it could hang and something breaks.
    struct Break {
        Point at;
        double distance_m = 0;
        VerdictLoss first;
    };
    std::optional<Break> nearest_break;
    std::size_t tried = 0;
    bool is_whole = true;  ///< false: the limits of the wish were reached first
};

struct MovableWish {
    double step_m = 1;
    double most_m = 8;  ///< from where it hangs
    std::size_t most_tries = 220;
};

/// Connected with where it hangs. Where no cell holds, once more at half the step. `so_far` is told the area
/// as it grows. Throws Cancelled, and Error where there is no such access point.
MovableArea movable_area(const Project&, AccessPointId, const ProposalAsk&, SiteVerdicts&,
                         const MovableWish& = {}, const CancelToken& = {},
                         const std::function<void(const MovableArea&)>& so_far = {});

}  // namespace yemvo
