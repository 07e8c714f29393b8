// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/lens_map.h"

#include <algorithm>
#include <cmath>
#include <optional>

#include "coverage/lenses/lens_entries.h"

namespace yemvo {
namespace {

using Plane = LensPlane;

void paint(const FloorPrediction& floor, const LensChoice& choice, Plane& out) {
    const LensEntry& entry = lens_entry(choice.lens);
    const auto paint_bands = [&](BandSet bands, Plane& values) {
        LensPainter painter(floor, choice, bands);
        values.resize(painter.cells());
        entry.paint(painter, values);
    };
    if (choice.bands.single() || entry.info.bands == LensBands::together)
        return paint_bands(choice.bands, out);
    const bool more = entry.info.more_is_better;
    out.assign(floor.surface.cells(), LensPainter::no_value);
    Plane values;
    for (BandId id : choice.bands.list()) {
        paint_bands(id, values);
        for (std::size_t i = 0; i < out.size(); ++i)
            if (std::isnan(out[i]) || (more ? values[i] > out[i] : values[i] < out[i])) out[i] = values[i];
    }
}

/// Of all that a choice looks at on a floor.
std::uint64_t plane_key(const FloorPrediction& floor, const LensChoice& choice) {
    ContentKey key;
    key.add(static_cast<int>(choice.lens)).add(choice.level_dbm).add(choice.heard_dbm);
    for (BandId id : choice.bands.list())
        key.add(int{id.index}).add(floor.band_keys[id.index]).add(choice.client.widest(id));
    if (lens(choice.lens).needs.capacity) key.add(floor.air ? floor.air->key : 0);
    if (lens(choice.lens).needs.neighbours) key.add(floor.neighbours->key);
    if (lens(choice.lens).needs.cables) key.add(floor.cables ? floor.cables->key : 0);
    for (AccessPointId id : choice.only) key.add(static_cast<std::uint64_t>(id.value));
    return key.add(std::hash<std::string>()(choice.client.standard))
        .add(choice.client.streams)
        .add(choice.client.power_dbm)
        .add(choice.client.noise_figure_db)
        .value();
}

}  // namespace

PredictionWish wish_to_show(LensId id, PredictionWish wish) {
    wish.deviation = wish.deviation || lens(id).needs.deviation;
    wish.cables = wish.cables || lens(id).needs.cables;
    return wish;
}

std::shared_ptr<const Plane> lens_plane(const FloorPrediction& floor, const LensChoice& choice) {
    PlaneStore& planes = floor.memo->lens_planes;
    const std::uint64_t key = plane_key(floor, choice);
    if (auto found = planes.find(key)) return found;
    Plane made = planes.take();
    paint(floor, choice, made);
    return planes.keep(key, std::move(made));
}

std::vector<float> lens_values(const FloorPrediction& floor, const LensChoice& choice) {
    Plane values;
    paint(floor, choice, values);
    return values;
}

std::vector<float> lens_change(const FloorPrediction& now, const std::vector<float>& values,
                               const FloorPrediction& before, const std::vector<float>& values_before,
                               const LensInfo& info) {
    const auto low = static_cast<float>(info.low);
    // where no radio is heard there is nothing; where no closet is reached the way has no end
    const float nothing = info.of_radios() ? low : static_cast<float>(info.high());
    const auto held = [&](float v) { return std::isnan(v) ? nothing : std::max(v, low); };
    const bool same_grid = now.surface == before.surface;
    std::vector<float> change(values.size(), LensPainter::no_value);
    for (std::size_t i = 0; i < values.size(); ++i) {
        if (!now.mask->shown[i]) continue;
        const auto there = same_grid ? std::optional(i) : before.surface.cell_at(now.surface.centre(i));
        if (there && before.mask->shown[*there]) change[i] = held(values[i]) - held(values_before[*there]);
    }
    return change;
}

double total_deviation_db(double material_deviation_db) {
    constexpr double clear_db = 3, through_db = 5;
    return std::hypot(material_deviation_db > 0 ? through_db : clear_db, material_deviation_db);
}

double confidence(double predicted_dbm, double level_dbm, double deviation_db) {
    return 0.5 * (1 + std::erf((predicted_dbm - level_dbm) / (deviation_db * std::sqrt(2.0))));
}

}  // namespace yemvo
