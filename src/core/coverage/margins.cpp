#include "coverage/margins.h"

#include <cmath>
#include <optional>

namespace yemvo {

Margins FloorMargins::in(const Requirement& r, BandId band) {
    const LensInfo& info = required_lens(r);
    const std::vector<float>& v = values(r, band);
    const auto limit = static_cast<float>(r.limit_in(band));
    const auto nothing = static_cast<float>(value_of_nothing(info));
    const float sign = info.more_is_better ? 1 : -1;
    Margins out{std::vector<float>(v.size()), std::vector<std::uint8_t>(v.size(), band.index)};
    for (std::size_t i = 0; i < v.size(); ++i)
        out.margin[i] = sign * ((std::isnan(v[i]) ? nothing : v[i]) - limit);
    return out;
}

Margins FloorMargins::over_bands(const Requirement& r) {
    Margins out;
    for (BandId b : r.bands.list()) {
        Margins one = in(r, b);
        if (out.margin.empty()) {
            out = std::move(one);
            continue;
        }
        for (std::size_t i = 0; i < out.margin.size(); ++i) {
            if (r.any_band ? one.margin[i] <= out.margin[i] : one.margin[i] >= out.margin[i]) continue;
            out.margin[i] = one.margin[i];
            out.band[i] = b.index;
        }
    }
    return out;
}

const std::vector<float>& FloorMargins::values(const Requirement& r, BandId band) {
    auto& kept = kept_[{r.lens, band.index}];
    if (kept.empty()) kept = lens_values(floor_, choice_of(project_, r, band));
    return kept;
}

double value_of_nothing(const LensInfo& info) {
    if (!info.more_is_better) return 0;
    return info.unit == "dBm" ? -200 : info.unit == "dB" ? -100 : 0;
}

const LensInfo& required_lens(const Requirement& r) {
    const auto id = find_lens(r.lens);
    if (!id || lens(*id).is_choice() || *id == LensId::outside)
        throw Error("there is no lens '" + r.lens + "' to require", "requirement " + r.lens,
                    "Use signal, next_best or snr");
    return lens(*id);
}

LensChoice choice_of(const Project& project, const Requirement& r, BandSet bands) {
    LensChoice choice;
    choice.lens = required_lens(r).id;
    choice.bands = bands;
    choice.client = client(project, project.settings.client);
    choice.level_dbm = signal_asked_dbm(project, bands);
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

}  // namespace yemvo
