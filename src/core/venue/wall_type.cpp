#include "venue/wall_type.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace yemvo {
namespace {
constexpr std::array<std::string_view, 7> families{"concrete", "brick", "board",  "glass",
                                                   "timber",   "steel", "special"};
constexpr std::array<std::string_view, 4> uses{"wall", "door", "window", "slab"};

template <class Enum, std::size_t n>
std::optional<Enum> find_in(const std::array<std::string_view, n>& names, std::string_view name) {
    const auto found = std::find(names.begin(), names.end(), name);
    if (found == names.end()) return std::nullopt;
    return static_cast<Enum>(found - names.begin());
}
}  // namespace

double loss_db(const WallType& type, double frequency_ghz) {
    const auto& points = type.losses;
    if (points.empty()) return 0;
    const auto above = std::find_if(points.begin(), points.end(),
                                    [&](const LossPoint& p) { return p.frequency_ghz >= frequency_ghz; });
    if (above == points.begin()) return points.front().loss_db;
    if (above == points.end()) return points.back().loss_db;
    const LossPoint &a = *(above - 1), &b = *above;
    const double share =
        std::log(frequency_ghz / a.frequency_ghz) / std::log(b.frequency_ghz / a.frequency_ghz);
    return a.loss_db + share * (b.loss_db - a.loss_db);
}

std::string_view family_name(Family f) { return families[static_cast<std::size_t>(f)]; }
std::string_view use_name(TypeUse u) { return uses[static_cast<std::size_t>(u)]; }
std::optional<Family> find_family(std::string_view name) { return find_in<Family>(families, name); }
std::optional<TypeUse> find_use(std::string_view name) { return find_in<TypeUse>(uses, name); }

}  // namespace yemvo
