// SPDX-License-Identifier: GPL-3.0-or-later
// Access points that could stand at one place, held against each other: each alone on its floor or in the
// open, with the figures that decide.
#pragma once
#include <optional>
#include <vector>

#include "coverage/site_prediction.h"

namespace yemvo {

/// The project with this access point and no other; `in_the_open`: nothing stands on its floor.
Project with_one(const Project&, FloorId, const AccessPoint&, bool in_the_open);

/// What candidates are asked.
struct CandidateQuestion {
    FloorId floor;
    BandId band;
    double limit_dbm = -67;
    std::vector<WallTypeId> walls;  ///< that stand in the way for the distance behind walls
};

/// Of one candidate in a band; of its strongest radio there that is on and fed.
struct CandidateFigures {
    std::optional<std::size_t>
        radio;  ///< none: it does not work in the band, and nothing below but price and watts holds
    double power_dbm = 0, gain_dbi = 0, cable_loss_db = 0, eirp_dbm = 0;
    double area_m2 = 0;         ///< of the floor that is shown, at the limit or above
    double free_m = 0;          ///< along the floor to where the limit is, straight ahead, nothing in the way
    double behind_walls_m = 0;  ///< the same through the walls of the question, met at right angles
    double rate_mbps = 0;       ///< to the site's client at 10 m, nothing in the way
    double snr_db = 0;          ///< there
    double price = 0;           ///< 0: not told
    std::optional<double> watts;  ///< none: not told
};

/// `alone`: of with_one; `predicted`: its floor. Throws std::logic_error where the project has not just one.
CandidateFigures candidate_figures(const Project& alone, const FloorPrediction& predicted,
                                   const CandidateQuestion&);

}  // namespace yemvo
