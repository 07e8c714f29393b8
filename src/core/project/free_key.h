// SPDX-License-Identifier: GPL-3.0-or-later
// Keys that no other entry of a list has.
#pragma once
#include <algorithm>
#include <string>

namespace yemvo {

/// As wanted, or with a number behind; "own" where nothing is wanted.
template <class List>
std::string free_key(const List& list, std::string wanted) {
    if (wanted.empty()) wanted = "own";
    const auto taken = [&](const std::string& key) {
        return std::ranges::any_of(list, [&](const auto& e) { return e.key == key; });
    };
    if (!taken(wanted)) return wanted;
    for (int i = 2;; ++i)
        if (std::string key = wanted + "-" + std::to_string(i); !taken(key)) return key;
}

}  // namespace yemvo
