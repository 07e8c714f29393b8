// SPDX-License-Identifier: GPL-3.0-or-later
#include "demand/demand_book.h"

#include <algorithm>

namespace yemvo {
namespace {

template <class Thing>
const Thing* with_key(const std::vector<Thing>& all, std::string_view key) {
    const auto at = std::find_if(all.begin(), all.end(), [&](const Thing& t) { return t.key == key; });
    return at == all.end() ? nullptr : &*at;
}

}  // namespace

const BusyHour* find_hour(const DemandBook& b, std::string_view key) { return with_key(b.hours, key); }
const Application* find_application(const DemandBook& b, std::string_view key) {
    return with_key(*b.applications, key);
}
const Network* find_network(const DemandBook& b, std::string_view key) { return with_key(*b.networks, key); }

}  // namespace yemvo
