// SPDX-License-Identifier: GPL-3.0-or-later
// The cover problem of a site: its candidates, and of each requirement, band and floor the places where it
// has to hold.
//
// A row is a cell of a coarse grid that a requirement asks about in a band; a candidate covers it where the
// requirement would hold by it alone, worked out by the same code that judges. Requirements of the next-best
// and the third signal ask for two and three access points that reach their level. What depends on channels
// and loads (contention, balance, clients, air) is no part of it: SINR counts as SNR, the rest is held
// against the whole plan. What holds wherever another requirement holds is left out (implied_groups). The
// share that is asked of the site is asked of every floor.
#pragma once
#include <map>
#include <memory>
#include <optional>

#include "cover/cover_problem.h"
#include "coverage/site_prediction.h"
#include "proposal/candidate_gear.h"

namespace yemvo {

struct ProposalCandidate {
    FloorId floor;
    AccessPoint access_point;  ///< of a place that is taken already: as it hangs
    bool stands = false;       ///< is part of the present plan
    AccessPointId of = {};     ///< the present one that this is another place of (ProposalAsk::reach_m)
};

/// What rows of a cover problem are about.
struct CoverSubject {
    FloorId floor;
    RequirementSetId set;
    RequirementId requirement;
    std::optional<BandId> band;  ///< none: any of its bands is enough
};

/// A place with demand that may need several access points for its clients: `most` groups of one row, from
/// `first`, of which the k-th asks for k in the zone. None is needed at first.
struct ServedPlace {
    FloorId floor;
    ZoneId zone;
    std::size_t first;
    std::size_t most;
};

struct SiteCover {
    std::vector<ProposalCandidate> candidates;  ///< as the problem's columns
    std::vector<CoverSubject> subjects;         ///< as its groups
    CoverProblem problem;
    std::vector<ServedPlace> served;        ///< their groups come after those of `subjects`, then the rest
    std::vector<double> row_m2;             ///< of each group: the area that a row stands for
    std::map<FloorId, double> cell_m = {};  ///< of each floor's grid
    /// Rows that no candidate reaches, a group: needs are lower by them (take_down_needs).
    std::vector<std::uint32_t> beyond_reach;
};

struct SiteCoverWish {
    double cells_a_floor = 700;  ///< about: the grid is as coarse as that, 1 to 4 m
    double block_m = 0;          ///< of CoverProblem::block; 0: each cell by itself
};

/// The project with every candidate hung in place of its plan: the number of each is its column + 1.
Project with_candidates(const Project&, const std::vector<ProposalCandidate>&);
/// The grid that a proposal looks at, for so many floors.
SiteCoverWish grid_for(std::size_t floors);
/// Floors that the ask is about, in order.
std::vector<FloorId> floors_asked(const Project&, const ProposalAsk&);
/// Throws Error where nothing can hang anywhere, or nothing is asked of any floor; Cancelled.
SiteCover site_cover(const Project&, Predictor&, const ProposalAsk&, const SiteCoverWish&,
                     const CancelToken& = {});

}  // namespace yemvo
