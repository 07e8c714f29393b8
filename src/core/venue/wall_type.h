// SPDX-License-Identifier: GPL-3.0-or-later
// What walls, doors, windows, slabs, ceilings and obstacles are built of, as far as radio is concerned.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/id.h"
#include "venue/material.h"

namespace yemvo {

/// One-way transmission loss at square entry, at one frequency. Of an obstacle: a metre.
struct LossPoint {
    double frequency_ghz;
    double loss_db;
    double low_db, high_db;  ///< the spread that is reported, about the 10th and 90th percentile
    friend bool operator==(const LossPoint&, const LossPoint&) = default;
};

enum class TypeUse { wall, door, window, slab, ceiling, obstacle };

/// The family decides the ink it is drawn with.
enum class Family { concrete, brick, board, glass, timber, steel, special };

/// How its body is filled in plan.
enum class Hatch { solid, diagonal, cross, dots, compartments, open };

/// Where a builder would look for it.
enum class TypeGroup { masonry, concrete, light_walls, glass, doors, metal, floors, special };

struct WallType {
    WallTypeId id;
    std::string key;   ///< stable word that data files use: "brick-240"
    std::string name;  ///< as a builder says it
    TypeUse use = TypeUse::wall;
    Family family = Family::board;
    TypeGroup group = TypeGroup::special;
    Hatch hatch = Hatch::solid;
    double thickness_m = 0.1;
    std::vector<LossPoint> losses;  ///< measured: by rising frequency; empty when it is computed from layers
    std::vector<Layer> layers;      ///< from one face to the other; what it is computed from
    double spread = 0.3;            ///< computed types: low and high lie this share of the loss away
    double most_db = 60;            ///< what leaks round it bounds its loss [dB]; of an obstacle as a whole
    bool saturates = false;  ///< obstacles: loss approaches most_db by ITU-R P.833's law, else it is cut off
    std::string source;      ///< where the figures come from, or "typical"
    std::string note;
    bool computed() const { return losses.empty() && !layers.empty(); }
    friend bool operator==(const WallType&, const WallType&) = default;
};

struct LossRange {
    double low_db, loss_db, high_db;
};

/// Loss at a frequency, square entry: between measured points linear in log f, held beyond the first and the
/// last; computed from layers otherwise. At most most_db (an obstacle's is a metre and not cut).
LossRange loss_range(const WallType&, double frequency_ghz);
/// The typical one [dB].
double loss_db(const WallType&, double frequency_ghz);
/// Standard deviation [dB] that the spread stands for, low and high being the 10th and 90th percentile.
double deviation_db(const WallType&, double frequency_ghz);
/// Loss at an angle to the normal: the loss at square entry changed as the layers' computed loss changes,
/// held beyond 77.5 degrees, at most 10 dB more. Without layers as at normal incidence.
double loss_at_angle_db(const WallType&, double frequency_ghz, double angle_deg);

/// Loss [dB] of a way of `length_m` through an obstacle that takes `db_per_m`. Saturating: most (1 - exp(-
/// db_per_m length / most)), ITU-R P.833; else the smaller of both.
double way_loss_db(double db_per_m, double length_m, double most_db, bool saturates);

/// Whether figures are given near a frequency: measured within a factor of 1.35, or all layers valid there.
bool has_loss_at(const WallType&, double frequency_ghz);

/// Sum of the layers [m]; coatings have none.
double thickness_m(const std::vector<Layer>&);

std::string_view family_name(Family);
std::string_view use_name(TypeUse);
std::string_view hatch_name(Hatch);
std::string_view group_name(TypeGroup);
std::optional<Family> find_family(std::string_view name);
std::optional<TypeUse> find_use(std::string_view name);
std::optional<Hatch> find_hatch(std::string_view name);
std::optional<TypeGroup> find_group(std::string_view name);

}  // namespace yemvo
