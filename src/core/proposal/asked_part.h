// SPDX-License-Identifier: GPL-3.0-or-later
// The part of a verdict that a proposal is asked about: what fails elsewhere is none of its business.
#pragma once
#include <set>

#include "coverage/verdict.h"
#include "proposal/proposal_ask.h"

namespace yemvo {

class AskedPart {
public:
    AskedPart(const Project&, const ProposalAsk&);
    /// Shares are those of the floors, or zones, that are asked; the uplink is left out where that is not
    /// all.
    Verdict of(const Verdict&) const;
    /// Within what is asked.
    bool has(FloorId floor) const { return floors_.contains(floor); }
    bool has(FloorId floor, Point) const;

private:
    bool holds(const PlaceResult&) const;
    const Project& project_;
    std::set<FloorId> floors_;
    std::set<ZoneId> zones_;
    bool all_ = true;
};

}  // namespace yemvo
