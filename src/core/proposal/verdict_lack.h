// SPDX-License-Identifier: GPL-3.0-or-later
// How far a verdict is from holding all that is asked, as searches compare plans.
#pragma once
#include "capacity/site_capacity.h"
#include "coverage/verdict.h"

namespace yemvo {

/// Requirements that do not hold, and bands in which they do not hold together.
int failing(const Verdict&);
/// Above 1 where the radio breaks a requirement that counts radios: what it has of what it may have.
double overload_of(const Requirement&, const RadioCapacity&);
/// What is above that; 0 for a radio that nobody uses or that is not asked about.
double overload_beyond(const Requirement&, const RadioCapacity&);
/// By how much of what is asked, as a sum of shares; 0 where all holds. Radios count by how far over their
/// limit each of them is, a tenth for one that has twice as much, so that a step in the right direction shows
/// before the last one. `capacity` of the same plan, null without demand.
double lacking(const Verdict&, const SiteCapacity* capacity);

/// What there is in hand where all holds: of each share up to 2 % of what is asked beyond what is required.
double in_hand(const Verdict&);

}  // namespace yemvo
