// SPDX-License-Identifier: GPL-3.0-or-later
// What may hang at a place, and how it would be set.
#pragma once
#include "propagation/scene.h"
#include "proposal/proposal_ask.h"
#include "regulation/regulation.h"

namespace yemvo {

/// Models that may be taken inside or in the open, as the ask says (ProposalAsk::models). Empty where none is
/// made for that.
std::vector<ModelId> models_for(const Project&, const ProposalAsk&, bool in_the_open);

/// A new access point as a proposal hangs it: aimed at `towards` where its antennas have a front, radios of
/// bands that are asked for on, at channels that are still to be chosen, as loud as planned_power_dbm.
/// Id and number are 0.
AccessPoint candidate_at(const Project&, const Scene&, const Floor&, const ProposalAsk&, ModelId, Point at,
                         Point towards);

/// As loud as the site's client can answer: the way out is stronger than the way back by no more than a
/// requirement of balance in force allows (else 8 dB), less 1 dB; and within every limit of EIRP that a
/// channel of such a width may have there.
double planned_power_dbm(const Project&, Place, const AccessPoint&, std::size_t radio);

/// What an access point counts for: 1; its price or the watts it usually takes, where the model tells,
/// else 1.
double access_point_cost(const Project&, const AccessPoint&, ProposalGoal);

}  // namespace yemvo
