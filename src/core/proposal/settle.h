// SPDX-License-Identifier: GPL-3.0-or-later
// The last search: access points leave the candidate places and move freely, held against the verdict itself
// on the project's own grid.
#pragma once
#include <map>

#include "proposal/hanging_ground.h"
#include "proposal/plan_trials.h"

namespace yemvo {

/// What it works with must outlive it.
class PlanSettler {
public:
    struct Limits {
        std::function<bool(AccessPointId)> may_move, may_go;
        std::function<bool(AccessPointId, Point)> may_be_at;  ///< besides where anything may hang
        std::function<bool()> is_over = [] { return false; };
    };
    PlanSettler(const Project&, const ProposalAsk&, const AskedPart&, Predictor&, Limits,
                const CancelToken& = {});

    /// Takes access points out, one after the other from the one that is missed least, and moves those round
    /// it until all holds again. `found` is told each plan with one less; the last is the result. Nothing
    /// where no one can be spared. Once `is_over` the one in hand is given up.
    std::optional<SettledPlan> fewer(const SettledPlan&,
                                     const std::function<void(const SettledPlan&)>& found = {});
    /// Two that are near each other give way to one. Nothing where no two do.
    std::optional<SettledPlan> merged(const SettledPlan&, const std::vector<ProposalCandidate>&);
    /// Moves access points near what is lacking until all holds, or less is. Nothing where no move gains.
    std::optional<SettledPlan> moved_better(const SettledPlan&, int most_tries);
    /// One of the candidates more, near what is lacking most: the one with which least is lacking, on
    /// channels whose users are far. Nothing where none gains.
    std::optional<SettledPlan> one_more(const SettledPlan&, const std::vector<ProposalCandidate>&);
    /// With more in hand and away from each other, then in line, where nothing is lost by that.
    SettledPlan tidied(SettledPlan);

private:
    struct Movable {
        AccessPointId id;
        FloorId floor;
        Point at;
    };
    std::vector<Movable> movable(const HungPlan&) const;
    std::vector<Movable> round(const HungPlan&, FloorId, Point, std::size_t most) const;
    bool may_hang(const HungPlan&, const Movable&, Point);
    struct Need {
        FloorId floor;
        Point at;
        double share = 0;
    };
    /// Where most is lacking.
    std::optional<Need> need(const SettledPlan&) const;
    /// As wide as most in the plan, and of those the channel whose nearest user is furthest away.
    void on_far_channels(const HungPlan&, FloorId, AccessPoint&) const;
    double nearest_user_m(const HungPlan&, FloorId, Point, const Channel&) const;
    /// Until all holds; the tries that are left go down.
    bool descend(SettledPlan&, std::vector<Movable>, int& tries);
    double neighbour_m(const HungPlan&, const Movable&, Point) const;
    double comfort(const SettledPlan&) const;
    void polish(SettledPlan&);
    void straighten(SettledPlan&);
    bool takes_place(SettledPlan&, const Movable&, Point);
    HungPlan moved(const HungPlan&, AccessPointId, Point) const;
    const HangingGround& ground(FloorId);

    const Project& project_;
    const ProposalAsk& ask_;
    PlanTrials trials_;
    Limits limits_;
    CancelToken cancel_;
    Scene scene_;
    std::map<FloorId, HangingGround> grounds_;
};

}  // namespace yemvo
