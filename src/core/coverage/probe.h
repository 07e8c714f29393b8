// Every link at one place.
#pragma once
#include "propagation/explain.h"

namespace yemvo {

/// All radios that are on, strongest first, as a client at `place` on `floor` receives them.
/// `bands`: only those; empty: all.
std::vector<LinkExplanation> probe(const Project&, const Scene&, const Floor&, Point place,
                                   BandSet bands = {});

/// A link in one sentence: what arrives, against what is asked for [dBm], and what takes most of it. `place`
/// as "P1".
std::string told(const LinkExplanation&, const std::string& place, double asked_dbm);

}  // namespace yemvo
