// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/map_choice.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "coverage/verdict.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render {

LensChoice look_of(const Project& project, const MapChoice& choice) {
    LensChoice look;
    look.lens = choice.lens;
    look.bands = choice.bands;
    look.only = choice.only;
    look.client = client(project, project.settings.client);
    look.level_dbm = signal_asked_dbm(project, choice.bands);
    look.heard_dbm = project.settings.heard_dbm;
    return look;
}

int MapScale::step_of(double value) const {
    return static_cast<int>(std::clamp(std::floor((value - low) / step), 0.0, steps - 1.0));
}

QColor MapScale::colour(const Palette& in, int index) const {
    const auto i = static_cast<std::size_t>(more_is_better ? index : steps - 1 - index);
    if (is_change) return in.change[i];
    return palette == "blue" ? in.blues[i] : palette == "grey" ? in.greys[i] : in.steps[i];
}

LensColours usual_colours(const LensInfo& info) { return {info.key, info.low, info.step, "colour"}; }

LensColours colours_of(const Project& project, const LensInfo& info) {
    const LensColours* own = find_colours(project, info.key);
    return own ? *own : usual_colours(info);
}

MapChoice coloured(MapChoice choice, const Project& project) {
    const LensColours* own = find_colours(project, lens(choice.lens).key);
    choice.colours = own ? std::optional(*own) : std::nullopt;
    return choice;
}

const std::vector<std::pair<std::string, std::string>>& palettes() {
    static const std::vector<std::pair<std::string, std::string>> all{
        {"colour", mark("Violet to yellow")}, {"blue", mark("Blues")}, {"grey", mark("Greys, for print")}};
    return all;
}

MapScale scale_of(const MapChoice& choice) {
    const LensInfo& info = lens(choice.lens);
    if (!choice.is_change()) {
        const LensColours c = choice.colours && !info.is_choice() ? *choice.colours : usual_colours(info);
        return {c.low,
                c.step,
                12,
                info.more_is_better,
                info.is_choice(),
                false,
                info.unit == "radios",
                choice.threshold,
                info.unit,
                c.palette};
    }
    constexpr int steps = 11;
    const double step = info.change_step;
    return {-0.5 * steps * step,
            step,
            steps,
            info.more_is_better,
            false,
            true,
            info.unit == "radios",
            (info.more_is_better ? -0.5 : 0.5) * step,
            info.unit == "dBm" ? "dB" : info.unit};
}

QColor step_colour(const Palette& palette, const LensInfo& info, double value) {
    MapChoice choice;
    choice.lens = info.id;
    const MapScale scale = scale_of(choice);
    return scale.colour(palette, scale.step_of(value));
}

QString map_name(const MapChoice& choice) {
    const LensInfo& info = lens(choice.lens);
    return info.of_radios() ? tr_mark(info.name) + ", " + said_text(bands_text(choice.bands))
                            : tr_mark(info.name);
}

std::vector<float> map_values(const Project& project, const FloorPrediction& floor, const MapChoice& choice,
                              const Project* other_project, const FloorPrediction* other) {
    if (!choice.needs_other()) return lens_values(floor, look_of(project, choice));
    if (!other || !other_project) return {};
    if (!choice.is_change()) return lens_values(*other, look_of(*other_project, choice));
    if (choice.against == Against::proposal)
        return lens_change(*other, lens_values(*other, look_of(*other_project, choice)), floor,
                           lens_values(floor, look_of(project, choice)), lens(choice.lens));
    return lens_change(floor, lens_values(floor, look_of(project, choice)), *other,
                       lens_values(*other, look_of(*other_project, choice)), lens(choice.lens));
}

std::map<int, std::size_t> serving_tints(const Surface& surface, const std::vector<float>& values) {
    std::map<int, std::map<int, int>> borders;  // number, neighbour, length of border in cells
    const auto meet = [&](std::size_t a, std::size_t b) {
        if (values[a] == values[b] || std::isnan(values[a]) || std::isnan(values[b])) return;
        ++borders[static_cast<int>(values[a])][static_cast<int>(values[b])];
        ++borders[static_cast<int>(values[b])][static_cast<int>(values[a])];
    };
    for (float v : values)
        if (!std::isnan(v)) borders[static_cast<int>(v)];
    for (int r = 0; r < surface.rows; ++r)
        for (int c = 0; c < surface.columns; ++c) {
            if (c + 1 < surface.columns) meet(surface.index(c, r), surface.index(c + 1, r));
            if (r + 1 < surface.rows) meet(surface.index(c, r), surface.index(c, r + 1));
        }
    std::map<int, std::size_t> tints;
    for (const auto& [number, neighbours] : borders) {
        std::array<int, 6> taken{};
        for (const auto& [other, cells] : neighbours)
            if (const auto t = tints.find(other); t != tints.end()) taken[t->second] += cells;
        // the least shared border; among equals the tint its number would have anyway
        std::size_t best = static_cast<std::size_t>(number) % taken.size();
        for (std::size_t t = 0; t < taken.size(); ++t)
            if (taken[t] < taken[best]) best = t;
        tints[number] = best;
    }
    return tints;
}

std::map<int, QColor> choice_colours(LensId id, const Surface& surface, const std::vector<float>& values,
                                     const Palette& palette) {
    std::map<int, QColor> colours;
    if (lens(id).kind == LensKind::band)
        for (const Band& b : bands()) colours[b.id.index] = palette.band(b.id).tint;
    else
        for (const auto& [number, tint] : serving_tints(surface, values))
            colours[number] = palette.serving[tint];
    return colours;
}

}  // namespace yemvo::render
