// SPDX-License-Identifier: GPL-3.0-or-later
// What is asked of a site besides its verdict, floor by floor, so that only one floor's fields have to be in
// memory.
#pragma once
#include <functional>
#include <memory>
#include <string>

#include "coverage/verdict.h"

namespace yemvo {

/// Of a type that who asks knows.
using Answer = std::shared_ptr<const void>;

struct FloorQuestion {
    std::string key;  ///< equal keys ask the same of the same project
    /// `part`: the verdict of that floor alone. Throws Cancelled.
    std::function<Answer(const Project&, const FloorPrediction&, const Verdict& part, const CancelToken&)>
        answer;
    bool of_verdict = true;  ///< its answer looks at the verdict
};

}  // namespace yemvo
