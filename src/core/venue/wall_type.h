// What walls, doors, windows and slabs are built of, as far as radio is concerned: loss against frequency.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/id.h"

namespace yemvo {

/// One-way transmission loss at square entry, at one frequency.
struct LossPoint {
    double frequency_ghz;
    double loss_db;
    double low_db, high_db;  ///< the spread that is reported, about the 10th and 90th percentile
    friend bool operator==(const LossPoint&, const LossPoint&) = default;
};

enum class TypeUse { wall, door, window, slab };

/// The family decides how it is drawn and where it stands in the palette.
enum class Family { concrete, brick, board, glass, timber, steel, special };

struct WallType {
    WallTypeId id;
    std::string key;   ///< stable word that data files use: "brick-240"
    std::string name;  ///< as a builder says it
    TypeUse use = TypeUse::wall;
    Family family = Family::board;
    double thickness_m = 0.1;
    std::vector<LossPoint> losses;  ///< by rising frequency, at least one
    std::string source;             ///< where the figures come from, or "typical"
    friend bool operator==(const WallType&, const WallType&) = default;
};

/// Loss [dB] at a frequency: linear in log f between the points, held beyond the first and the last.
double loss_db(const WallType&, double frequency_ghz);

std::string_view family_name(Family);
std::string_view use_name(TypeUse);
std::optional<Family> find_family(std::string_view name);
std::optional<TypeUse> find_use(std::string_view name);

}  // namespace yemvo
