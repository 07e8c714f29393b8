// SPDX-License-Identifier: GPL-3.0-or-later
// Every link at one place.
#pragma once
#include "propagation/field_tier.h"

namespace yemvo {

/// How the map that is asked about was predicted.
struct Predicted {
    const FieldTier* tier = nullptr;  ///< the direct one when null
    const LossOverlay* overlay = nullptr;
};

/// All radios that are on, strongest first, as a client at `place` on `floor` receives them.
/// `bands`: only those; empty: all.
std::vector<LinkExplanation> probe(const Project&, const Scene&, const Floor&, Point place,
                                   BandSet bands = {}, const Predicted& = {});

/// A link in one sentence: what arrives, against what is asked for [dBm], and what takes most of it. `place`
/// as "P1".
Said told(const LinkExplanation&, const std::string& place, double asked_dbm);

}  // namespace yemvo
