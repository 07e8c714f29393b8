// SPDX-License-Identifier: GPL-3.0-or-later
#include "demand/application.h"

#include <algorithm>
#include <array>

namespace yemvo {
namespace {

constexpr std::array<std::string_view, 3> delay_names{"patient", "prompt", "real_time"};

}  // namespace

std::string_view delay_class_name(DelayClass d) { return delay_names[static_cast<std::size_t>(d)]; }

std::optional<DelayClass> find_delay_class(std::string_view name) {
    const auto at = std::find(delay_names.begin(), delay_names.end(), name);
    if (at == delay_names.end()) return std::nullopt;
    return static_cast<DelayClass>(at - delay_names.begin());
}

}  // namespace yemvo
