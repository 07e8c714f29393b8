// SPDX-License-Identifier: GPL-3.0-or-later
// The rates of an explained link, both ways, and why.
#pragma once
#include "gear/rate_story.h"
#include "propagation/explain.h"

namespace yemvo {

struct LinkStory {
    RateStory down, up;
};

/// `working_mhz`: as capacity has it where the radio falls back; 0: the channel's width. Levels are those of
/// the explanation with the client's antenna, and its power for the way up.
LinkStory link_story(const Project&, const LinkExplanation&, const ClientProfile&, int working_mhz = 0);

}  // namespace yemvo
