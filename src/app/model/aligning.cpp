// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/aligning.h"

#include "base/error.h"

namespace yemvo::app {

std::optional<SimilarityFit> Aligning::fit() const {
    if (!enough_pairs()) return std::nullopt;
    try {
        return fit_similarity(pairs_, freedom_);
    } catch (const Error&) {
        return std::nullopt;
    }
}

}  // namespace yemvo::app
