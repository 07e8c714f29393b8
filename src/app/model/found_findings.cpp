// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/found_findings.h"

#include <algorithm>

namespace yemvo::app {

void FoundFindings::set(std::shared_ptr<const std::vector<Finding>> findings) {
    all_ = std::move(findings);
    emit changed();
}

std::size_t FoundFindings::open() const {
    return static_cast<std::size_t>(std::ranges::count_if(*all_, [](const Finding& f) { return !f.waived; }));
}

}  // namespace yemvo::app
