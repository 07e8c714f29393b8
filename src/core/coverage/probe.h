// Every link at one place.
#pragma once
#include "propagation/explain.h"

namespace yemvo {

/// All radios that are on, strongest first, as a client at `place` on `floor` receives them.
std::vector<LinkExplanation> probe(const Project&, const Scene&, const Floor&, Point place);

}  // namespace yemvo
