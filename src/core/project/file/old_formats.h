// SPDX-License-Identifier: GPL-3.0-or-later
// Project files of earlier formats: step by step to what the first version of the parts is.
#pragma once
#include "project/json_reader.h"

namespace yemvo {

/// `whole`: project.json with everything inside, as `version` wrote it. What it holds may be wrong in any
/// way: a step changes what it knows and leaves the rest for the reader to refuse.
void bring_up_to_date(Json& whole, int version, const Reading&);

}  // namespace yemvo
