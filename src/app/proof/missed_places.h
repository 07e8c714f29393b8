// SPDX-License-Identifier: GPL-3.0-or-later
// Where requirements are missed, for the cards of Proof.
#pragma once
#include "app/model/result_kind.h"
#include "coverage/worst_places.h"

namespace yemvo::app {

struct MissedPlaces {
    std::vector<WorstPlace> places;  ///< the worst first, as many as cards find room
};

ResultKind missed_places();

}  // namespace yemvo::app
