// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/simd.h"

#include <hwy/highway.h>

#include <algorithm>
#include <array>
#include <utility>

#include "base/error.h"

namespace yemvo {
namespace {

constexpr std::array<std::pair<const char*, std::int64_t>, 3> sets{
    {{"AVX-512", HWY_AVX3}, {"AVX2", HWY_AVX2}, {"SSE4", HWY_SSE4}}};

std::int64_t of_machine() {
    static const std::int64_t targets = hwy::SupportedTargets();
    return targets;
}

}  // namespace

std::vector<std::string> instruction_sets() {
    std::vector<std::string> names;
    for (const auto& [name, bit] : sets)
        if (of_machine() & bit) names.emplace_back(name);
    names.emplace_back("baseline");
    return names;
}

std::string instruction_set() {
    of_machine();
    for (const auto& [name, bit] : sets)
        if (hwy::SupportedTargets() & bit) return name;
    return "baseline";
}

void use_instruction_set(const std::string& name) {
    std::int64_t allowed = of_machine();
    if (!name.empty()) {
        const auto names = instruction_sets();
        if (std::find(names.begin(), names.end(), name) == names.end())
            throw Error(say("this machine does not have %1", name), say("instruction set"),
                        say("Choose one of those that yemvo knows here, the best is %1", names.front()));
        for (const auto& [better, bit] : sets) {
            if (better == name) break;
            allowed &= ~bit;
        }
    }
    hwy::SetSupportedTargetsForTest(allowed);
    hwy::GetChosenTarget().Update(allowed);
}

}  // namespace yemvo
