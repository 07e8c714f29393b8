// SPDX-License-Identifier: GPL-3.0-or-later
// A capture held against good practice, without any plan: what holds, what is near, what fails, and why.
#pragma once
#include <string>
#include <string_view>
#include <vector>

#include "capture/capture.h"

namespace yemvo {

enum class AuditOutcome {
    fails,
    near,  ///< holds, but not by much
    holds,
    untold  ///< the capture says nothing about it
};

struct AuditLine {
    std::string_view key;  ///< "wide-24", as the rules of a plan are called where there is one alike
    std::string_view name;
    std::string limit;  ///< "20 MHz", "≤ 50 %"
    AuditOutcome outcome = AuditOutcome::holds;
    Said what;                          ///< the reason, of those that are worst
    std::vector<std::size_t> networks;  ///< that it is about
};

/// Those that fail first. `country` may be one without data: then its rules are not asked.
std::vector<AuditLine> audit(const HeardAir&, const std::string& country);

/// Another radio that shares spectrum with it and is heard from so much up counts as sharing its air.
inline constexpr double audit_heard_dbm = -82;
/// Other radios that share its spectrum and are heard well enough, one network of each.
std::vector<std::size_t> sharing_air(const HeardAir&, std::size_t network);

}  // namespace yemvo
