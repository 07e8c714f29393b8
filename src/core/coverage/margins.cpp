// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/margins.h"

#include <cmath>
#include <optional>

#include "coverage/lens_kernels.h"

namespace yemvo {

AskedCells by_zone(const std::vector<std::uint8_t>& asked, const CellMask& mask) {
    std::vector<std::size_t> count;
    std::size_t all = 0;
    for (std::size_t i = 0; i < asked.size(); ++i) {
        if (!asked[i]) continue;
        if (mask.zone[i] >= count.size()) count.resize(mask.zone[i] + 1u);
        ++count[mask.zone[i]];
        ++all;
    }
    AskedCells out;
    out.cells.resize(all);
    std::vector<std::size_t> next(count.size());
    std::size_t at = 0;
    for (std::size_t z = 0; z < count.size(); ++z) {
        next[z] = at;
        at += count[z];
        if (count[z] > 0) out.zones.push_back({z, next[z], at});
    }
    for (std::size_t i = 0; i < asked.size(); ++i)
        if (asked[i]) out.cells[next[mask.zone[i]]++] = static_cast<std::uint32_t>(i);
    return out;
}

void FloorMargins::in(const Requirement& r, BandId band, const std::vector<std::uint32_t>& cells,
                      std::vector<float>& out) {
    const LensInfo& info = required_lens(r);
    const auto values = lens_plane(floor_, choice_of(project_, r, band));
    out.resize(cells.size());
    kernels::margins(values->data(), cells.data(), cells.size(),
                     {static_cast<float>(r.limit_in(band)), static_cast<float>(value_of_nothing(info)),
                      info.more_is_better},
                     out.data());
}

void FloorMargins::over_bands(const Requirement& r, const std::vector<std::uint32_t>& cells, Margins& out,
                              std::vector<std::vector<float>>& each) {
    const auto bands = r.bands.list();
    each.resize(bands.size());
    for (std::size_t b = 0; b < bands.size(); ++b) in(r, bands[b], cells, each[b]);
    out.margin = each[0];
    out.band.assign(cells.size(), bands[0].index);
    for (std::size_t b = 1; b < bands.size(); ++b)
        for (std::size_t k = 0; k < cells.size(); ++k) {
            const bool decides = r.any_band ? each[b][k] > out.margin[k] : each[b][k] < out.margin[k];
            out.margin[k] = decides ? each[b][k] : out.margin[k];
            out.band[k] = decides ? bands[b].index : out.band[k];
        }
}

double value_of_nothing(const LensInfo& info) {
    if (!info.more_is_better) return 0;
    if (info.needs.capacity) return -1000;
    return info.unit == "dBm" ? -200 : info.unit == "dB" ? -100 : 0;
}

const LensInfo& required_lens(const Requirement& r) {
    const auto id = find_lens(r.lens);
    if (!id || !lens(*id).may_require())
        throw Error(say("there is no lens '%1' to require", r.lens), say("requirement %1", r.lens),
                    say("Use signal, next_best or snr"));
    return lens(*id);
}

LensChoice choice_of(const Project& project, const Requirement& r, BandSet bands) {
    LensChoice choice;
    choice.lens = required_lens(r).id;
    choice.bands = bands;
    choice.client = client(project, project.settings.client);
    choice.heard_dbm = project.settings.heard_dbm;
    if (lens(choice.lens).needs.level) choice.level_dbm = signal_asked_dbm(project, bands);
    return choice;
}

double signal_asked_dbm(const Project& project, BandSet bands) {
    std::optional<double> most;
    for (const Requirement* r : requirements_in_force(project))
        for (BandId id : bands.list())
            if (r->lens == "signal" && r->bands.contains(id))
                most = std::max(most.value_or(r->limit_in(id)), r->limit_in(id));
    return most.value_or(lens(LensId::signal).limit);
}

std::vector<std::uint8_t> asked_cells(const RequirementSet& set, const Floor& floor, const CellMask& mask) {
    if (set.is_everywhere()) return mask.demanded;
    std::vector<std::uint8_t> named(floor.zones->size() + 1);
    for (std::size_t z = 0; z < floor.zones->size(); ++z) named[z + 1] = set.names((*floor.zones)[z]);
    std::vector<std::uint8_t> asked(mask.zone.size());
    for (std::size_t i = 0; i < asked.size(); ++i) asked[i] = named[mask.zone[i]];
    return asked;
}

std::shared_ptr<const AskedCells> asked_cells(const RequirementSet& set, const Floor& floor,
                                              const FloorPrediction& p) {
    ContentKey key;
    key.add(p.mask->key).add(int{set.is_everywhere()});
    for (const Zone& z : *floor.zones) key.add(int{set.names(z)});
    auto& kept = p.memo->asked_cells;
    if (auto found = kept.find(key.value())) return found;
    auto made = std::make_shared<const AskedCells>(by_zone(asked_cells(set, floor, *p.mask), *p.mask));
    kept.keep(key.value(), made, made->cells.size() * sizeof(std::uint32_t));
    return made;
}

}  // namespace yemvo
