// SPDX-License-Identifier: GPL-3.0-or-later
// A measured antenna: its gain in two cuts round full circles, and how directions between them follow.
// Sources: Gil, Claro, Ferreira, Pardelinha, Correia, A 3-D extrapolation model for base station antennas'
// radiation patterns, IEEE Antennas and Propagation Magazine 43(2), 2001 (by distance in angle); Vasiliadis,
// Dimitriou, Sergiadis, A novel technique for the approximation of 3-D antenna radiation patterns, IEEE
// Transactions on Antennas and Propagation 53(7), 2005 (cross-weighted).
#pragma once
#include <array>
#include <functional>
#include <optional>
#include <string_view>
#include <vector>

#include "antenna/orientation.h"

namespace yemvo {

/// The value at every degree of a full circle [dB relative to the peak of the pattern, at most 0].
class Cut {
public:
    static constexpr int degrees = 360;
    Cut() { values_.fill(0); }
    double& operator[](int degree) { return values_[index(degree)]; }
    double operator[](int degree) const { return values_[index(degree)]; }
    /// Between degrees by lines in dB; any angle [degrees].
    double at(double angle_deg) const;
    double highest() const;
    /// The first degree where it is highest.
    int peak_deg() const;
    void shift_db(double by_db);
    friend bool operator==(const Cut&, const Cut&) = default;

private:
    static std::size_t index(int degree) {
        return static_cast<std::size_t>(((degree % degrees) + degrees) % degrees);
    }
    std::array<double, degrees> values_;
};

/// The points 3 dB below the peak of a cut.
struct BeamEdges {
    double before_deg, after_deg;  ///< from the peak to both sides, between degrees by lines
    int peak_deg;
    double width_deg() const { return before_deg + after_deg; }
};
/// None where it never falls so far on both sides.
std::optional<BeamEdges> beam_edges(const Cut&);

/// A cut beside the two main ones, where a file has it.
struct FurtherCut {
    enum class Kind {
        upright,  ///< through both poles, as the elevation cut, with `at_deg` of azimuth ahead (0, 180)
        level     ///< round, as the azimuth cut, at `at_deg` of elevation (-90, 90), not 0
    };
    Kind kind = Kind::upright;
    double at_deg = 0;
    Cut cut;
    friend bool operator==(const FurtherCut&, const FurtherCut&) = default;
};

/// The cuts at one frequency.
struct PatternCuts {
    double frequency_mhz = 0;  ///< 0: not told
    Cut azimuth;    ///< clockwise seen from above, 0 in front, along the horizon or through the beam's peak
    Cut elevation;  ///< 0 in front, 90 up, 180 behind, 270 down
    std::vector<FurtherCut> further = {};  ///< in order: upright ones first, then by angle
    friend bool operator==(const PatternCuts&, const PatternCuts&) = default;
};
void put_in_order(std::vector<FurtherCut>&);
/// `how(Cut&)` for all of them.
template <class Cuts, class How>
void each_cut(Cuts& cuts, How how) {
    how(cuts.azimuth);
    how(cuts.elevation);
    for (auto& f : cuts.further) how(f.cut);
}

/// How a direction between the cuts is made of them.
enum class Blend {
    by_angle,        ///< by the distance in angle from each cut: goes through both cuts and both poles
    summed,          ///< both added: exact for round antennas, twice as much behind and at the poles
    cross_weighted,  ///< the weaker cut counts for more; can lie below both
    forward,         ///< summed in front, by angle behind, with a soft change between them
};
inline constexpr int blends = 4;
std::string_view blend_name(Blend);
std::string_view blend_key(Blend);  ///< stable word: "by_angle"
std::optional<Blend> find_blend(std::string_view key);

/// Relative to the pattern's peak [dB], never below `floor_db`. Of the two main cuts by the blend; further
/// cuts add what they differ from that by, between them and the main cuts by lines: first the upright ones
/// along the azimuth, then the level ones along the elevation.
double relative_gain_db(const PatternCuts&, LocalDirection, Blend = Blend::by_angle);
inline constexpr double pattern_floor_db = -60;

/// What a data sheet says of a pattern, measured on its cuts.
struct PatternMeasures {
    double azimuth_width_deg =
        360;  ///< between the points 3 dB below the cut's peak; 360: it never falls so far
    double elevation_width_deg = 360;
    double front_to_back_db = 0;  ///< azimuth: its peak over what stands opposite to it
    double side_lobe_db = 0;  ///< the highest peak of the elevation outside the main lobe, relative; 0: none
    int peak_azimuth_deg = 0, peak_elevation_deg = 0;  ///< elevation as in the cut, 0 to 359
    double directivity_dbi = 0;  ///< by integration over the sphere in steps of 1 degree
};
PatternMeasures measures(const PatternCuts&, Blend = Blend::by_angle);

/// Over the sphere in steps of 1 degree [dBi], of gains relative to a peak of 0 dB.
double integrated_directivity_dbi(const std::function<double(LocalDirection)>& relative_db);

/// Between the two nearest frequencies by lines in dB; outside of them the nearest. A further cut that one of
/// the two does not have is that of the nearer frequency. `cuts`: one or more, by frequency.
PatternCuts cuts_at(const std::vector<PatternCuts>& cuts, double frequency_mhz);

}  // namespace yemvo
