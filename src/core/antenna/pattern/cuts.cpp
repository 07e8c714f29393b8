// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/pattern/cuts.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>
#include <span>
#include <tuple>

#include "base/said.h"

namespace yemvo {
namespace {

constexpr double degree = std::numbers::pi / 180;

double in_front_deg(double azimuth_deg) { return std::abs(std::remainder(azimuth_deg, 360)); }

/// The elevation cut has the whole circle: behind the antenna it runs on over the pole.
double upright_db(const PatternCuts& cuts, LocalDirection d) {
    return cuts.elevation.at(in_front_deg(d.azimuth_deg) <= 90 ? d.elevation_deg : 180 - d.elevation_deg);
}

double summed_db(const PatternCuts& cuts, LocalDirection d) {
    return cuts.azimuth.at(d.azimuth_deg) + cuts.elevation.at(d.elevation_deg);
}

double by_angle_db(const PatternCuts& cuts, LocalDirection d) {
    const double to_front = in_front_deg(d.azimuth_deg), to_back = 180 - to_front;
    const double front_db = cuts.elevation.at(d.elevation_deg),
                 back_db = cuts.elevation.at(180 - d.elevation_deg);
    const double to_horizon = std::abs(d.elevation_deg), to_pole = 90 - to_horizon;
    const double level_db = cuts.azimuth.at(d.azimuth_deg),
                 pole_db = cuts.elevation.at(d.elevation_deg >= 0 ? 90 : 270);
    // on a cut or in a pole: the weights below are 0 / 0 there
    constexpr double on_it = 1e-9;
    if (to_front < on_it) return front_db;
    if (to_back < on_it) return back_db;
    if (to_horizon < on_it) return level_db;
    if (to_pole < on_it) return pole_db;
    const double weight_upright = to_horizon * to_pole / (90.0 * 90),
                 weight_level = to_front * to_back / (180.0 * 180);
    return ((to_front * back_db + to_back * front_db) * weight_upright +
            (to_horizon * pole_db + to_pole * level_db) * weight_level) /
           (180 * weight_upright + 90 * weight_level);
}

double cross_weighted_db(const PatternCuts& cuts, LocalDirection d) {
    const double h_db = cuts.azimuth.at(d.azimuth_deg), v_db = upright_db(cuts, d);
    const double h = std::pow(10, h_db / 10), v = std::pow(10, v_db / 10);
    const double level = v * (1 - h), upright = h * (1 - v), both = std::hypot(level, upright);
    // both at their peak, or so near that nothing is left of the weights
    return both < 1e-12 ? h_db + v_db : (h_db * level + v_db * upright) / both;
}

double forward_db(const PatternCuts& cuts, LocalDirection d) {
    const double cosine = std::cos(d.azimuth_deg * degree) * std::cos(d.elevation_deg * degree);
    const double in_front = (1 + cosine) / 2;  // cos² of half the angle from the front
    return in_front * summed_db(cuts, d) + (1 - in_front) * by_angle_db(cuts, d);
}

/// The highest place beyond the first valleys on both sides of the peak, relative to it; 0 where it never
/// rises again.
double side_lobe_db(const Cut& cut) {
    const int peak = cut.peak_deg();
    const auto valley = [&](int step) {
        int i = 1;
        // a ripple of a twentieth of a dB is no valley
        while (i < Cut::degrees && cut[peak + step * i] <= cut[peak + step * (i - 1)] + 0.05) ++i;
        return i;
    };
    const int right = valley(1), left = valley(-1);
    double highest_db = -std::numeric_limits<double>::infinity();
    for (int i = right; i <= Cut::degrees - left; ++i) highest_db = std::max(highest_db, cut[peak + i]);
    return std::isfinite(highest_db) ? highest_db - cut[peak] : 0;
}

}  // namespace

double Cut::at(double angle_deg) const {
    const double whole = std::floor(angle_deg), share = angle_deg - whole;
    const int first = static_cast<int>(std::fmod(whole, degrees));
    return std::lerp((*this)[first], (*this)[first + 1], share);
}

double Cut::highest() const { return *std::max_element(values_.begin(), values_.end()); }

int Cut::peak_deg() const {
    return static_cast<int>(std::max_element(values_.begin(), values_.end()) - values_.begin());
}

std::optional<BeamEdges> beam_edges(const Cut& cut) {
    const int peak = cut.peak_deg();
    const double edge_db = cut[peak] - 3;
    const auto reach = [&](int step) -> std::optional<double> {
        for (int i = 1; i < Cut::degrees; ++i) {
            const double before = cut[peak + step * (i - 1)], now = cut[peak + step * i];
            if (now <= edge_db) return i - 1 + (before - edge_db) / (before - now);
        }
        return {};
    };
    const auto before = reach(-1), after = reach(1);
    if (!before || !after || *before + *after >= Cut::degrees) return {};
    return BeamEdges{*before, *after, peak};
}

void Cut::shift_db(double by_db) {
    for (double& v : values_) v += by_db;
}

void put_in_order(std::vector<FurtherCut>& further) {
    std::ranges::sort(further, {}, [](const FurtherCut& f) { return std::tuple(f.kind, f.at_deg); });
}

std::string_view blend_name(Blend blend) {
    static constexpr std::array<std::string_view, blends> names{mark("by angle"), mark("summed"),
                                                                mark("cross-weighted"), mark("forward")};
    return names[static_cast<std::size_t>(blend)];
}

static constexpr std::array<std::string_view, blends> blend_keys{"by_angle", "summed", "cross_weighted",
                                                                 "forward"};

std::string_view blend_key(Blend blend) { return blend_keys[static_cast<std::size_t>(blend)]; }

std::optional<Blend> find_blend(std::string_view key) {
    const auto found = std::find(blend_keys.begin(), blend_keys.end(), key);
    if (found == blend_keys.end()) return std::nullopt;
    return static_cast<Blend>(found - blend_keys.begin());
}

namespace {

double blended_db(const PatternCuts& cuts, LocalDirection d, Blend blend) {
    switch (blend) {
        case Blend::summed:
            return summed_db(cuts, d);
        case Blend::cross_weighted:
            return cross_weighted_db(cuts, d);
        case Blend::forward:
            return forward_db(cuts, d);
        case Blend::by_angle:
            break;
    }
    return by_angle_db(cuts, d);
}

/// A cut beside a direction; null: a main one, where the blend needs no mending.
struct Beside {
    double at_deg;
    const FurtherCut* cut;
};

/// What is to be added at an angle between two cuts, by lines. `off_db`: of a further cut, by how much the
/// blend misses it.
template <class Off>
double between_db(double wanted_deg, Beside below, Beside above, Off off_db) {
    const auto off = [&](Beside b) { return b.cut ? off_db(*b.cut) : 0.0; };
    if (!below.cut && !above.cut) return 0;
    return std::lerp(off(below), off(above), (wanted_deg - below.at_deg) / (above.at_deg - below.at_deg));
}

/// The neighbours of an angle among cuts of one kind, which lie in order, and two main ones round them.
std::pair<Beside, Beside> beside(std::span<const FurtherCut> cuts, double wanted_deg, double first_deg,
                                 double last_deg) {
    const auto next = std::ranges::lower_bound(cuts, wanted_deg, {}, &FurtherCut::at_deg);
    Beside below{first_deg, nullptr}, above{last_deg, nullptr};
    if (next != cuts.begin() && std::prev(next)->at_deg > first_deg)
        below = {std::prev(next)->at_deg, &*std::prev(next)};
    if (next != cuts.end() && next->at_deg < last_deg) above = {next->at_deg, &*next};
    return {below, above};
}

std::span<const FurtherCut> upright_ones(const PatternCuts& cuts) {
    return {cuts.further.begin(), std::ranges::partition_point(cuts.further, [](const FurtherCut& f) {
                return f.kind == FurtherCut::Kind::upright;
            })};
}

double with_upright_db(const PatternCuts& cuts, LocalDirection d, Blend blend) {
    const double round_deg = d.azimuth_deg - 360 * std::floor(d.azimuth_deg / 360);
    const bool other_half = round_deg >= 180;
    const double ahead_deg = other_half ? round_deg - 180 : round_deg;
    const auto [below, above] = beside(upright_ones(cuts), ahead_deg, 0, 180);
    return blended_db(cuts, d, blend) + between_db(ahead_deg, below, above, [&](const FurtherCut& f) {
               return f.cut.at(other_half ? 180 - d.elevation_deg : d.elevation_deg) -
                      blended_db(cuts, {other_half ? f.at_deg - 180 : f.at_deg, d.elevation_deg}, blend);
           });
}

double with_further_db(const PatternCuts& cuts, LocalDirection d, Blend blend) {
    const std::span<const FurtherCut> all(cuts.further);
    const bool high = d.elevation_deg >= 0;
    const auto [below, above] =
        beside(all.subspan(upright_ones(cuts).size()), d.elevation_deg, high ? 0 : -90, high ? 90 : 0);
    return with_upright_db(cuts, d, blend) +
           between_db(d.elevation_deg, below, above, [&](const FurtherCut& f) {
               return f.cut.at(d.azimuth_deg) - with_upright_db(cuts, {d.azimuth_deg, f.at_deg}, blend);
           });
}

}  // namespace

double relative_gain_db(const PatternCuts& cuts, LocalDirection d, Blend blend) {
    const double value = cuts.further.empty() ? blended_db(cuts, d, blend) : with_further_db(cuts, d, blend);
    return std::clamp(value, pattern_floor_db, 0.0);
}

double integrated_directivity_dbi(const std::function<double(LocalDirection)>& relative_db) {
    double sum = 0;
    for (int elevation = -90; elevation < 90; ++elevation) {
        const double ring = std::sin((elevation + 1) * degree) - std::sin(elevation * degree);
        for (int azimuth = -180; azimuth < 180; ++azimuth) {
            sum += ring * degree * std::pow(10.0, relative_db({azimuth + 0.5, elevation + 0.5}) / 10);
        }
    }
    return 10 * std::log10(4 * std::numbers::pi / sum);
}

PatternMeasures measures(const PatternCuts& cuts, Blend blend) {
    PatternMeasures m;
    if (const auto edges = beam_edges(cuts.azimuth)) m.azimuth_width_deg = edges->width_deg();
    if (const auto edges = beam_edges(cuts.elevation)) m.elevation_width_deg = edges->width_deg();
    m.peak_azimuth_deg = cuts.azimuth.peak_deg();
    m.peak_elevation_deg = cuts.elevation.peak_deg();
    m.front_to_back_db = cuts.azimuth[m.peak_azimuth_deg] - cuts.azimuth[m.peak_azimuth_deg + 180];
    m.side_lobe_db = side_lobe_db(cuts.elevation);
    m.directivity_dbi =
        integrated_directivity_dbi([&](LocalDirection d) { return relative_gain_db(cuts, d, blend); });
    return m;
}

PatternCuts cuts_at(const std::vector<PatternCuts>& cuts, double frequency_mhz) {
    const auto above = std::lower_bound(cuts.begin(), cuts.end(), frequency_mhz,
                                        [](const PatternCuts& c, double f) { return c.frequency_mhz < f; });
    if (above == cuts.begin()) return cuts.front();
    if (above == cuts.end()) return cuts.back();
    const PatternCuts &low = *(above - 1), &high = *above;
    const double share = (frequency_mhz - low.frequency_mhz) / (high.frequency_mhz - low.frequency_mhz);
    const auto lerped = [&](const Cut& a, const Cut& b) {
        Cut cut;
        for (int i = 0; i < Cut::degrees; ++i) cut[i] = std::lerp(a[i], b[i], share);
        return cut;
    };
    PatternCuts between{frequency_mhz, lerped(low.azimuth, high.azimuth),
                        lerped(low.elevation, high.elevation)};
    const PatternCuts &near = share < 0.5 ? low : high, &far = share < 0.5 ? high : low;
    const auto alike = [](const FurtherCut& f) {
        return [&f](const FurtherCut& g) { return f.kind == g.kind && f.at_deg == g.at_deg; };
    };
    for (const FurtherCut& f : near.further) {
        const auto other = std::ranges::find_if(far.further, alike(f));
        FurtherCut made = f;
        if (other != far.further.end())
            made.cut = share < 0.5 ? lerped(f.cut, other->cut) : lerped(other->cut, f.cut);
        between.further.push_back(std::move(made));
    }
    return between;
}

}  // namespace yemvo
