// SPDX-License-Identifier: GPL-3.0-or-later
// The bands that radios work in: an open list, from low to high.
#pragma once
#include <compare>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/said.h"

namespace yemvo {

/// Index into bands().
struct BandId {
    std::uint8_t index = 0;
    friend auto operator<=>(const BandId&, const BandId&) = default;
};
inline constexpr BandId band_24{0}, band_5{1}, band_6{2};

/// Some of the bands; at least one where it is asked for.
class BandSet {
public:
    BandSet() = default;
    BandSet(BandId id) : bits_(static_cast<std::uint8_t>(1u << id.index)) {}
    bool contains(BandId id) const { return (bits_ >> id.index) & 1u; }
    bool empty() const { return bits_ == 0; }
    bool single() const { return bits_ != 0 && (bits_ & (bits_ - 1)) == 0; }
    BandSet with(BandId id, bool in = true) const {
        BandSet out;
        const auto bit = static_cast<std::uint8_t>(1u << id.index);
        out.bits_ = static_cast<std::uint8_t>(in ? bits_ | bit : bits_ & ~bit);
        return out;
    }
    std::vector<BandId> list() const;  ///< low to high
    BandId first() const { return list().front(); }
    std::uint8_t bits() const { return bits_; }
    friend bool operator==(const BandSet&, const BandSet&) = default;

private:
    std::uint8_t bits_ = 0;
};

/// Source of the numbering: IEEE 802.11-2020 Annex E; 6 GHz: 802.11ax Annex E.
struct Band {
    BandId id;
    std::string name;  ///< "2.4", "5", "6": the GHz figure people say
    double start_mhz;  ///< channel n is centred on start_mhz + 5 n
    double low_mhz, high_mhz;
    double reference_mhz;  ///< material losses and gain fields of the band are taken here
};

const std::vector<Band>& bands();
const Band& band(BandId);
/// The band whose reference frequency is nearest.
BandId band_near(double frequency_mhz);
inline std::size_t band_count() { return bands().size(); }

BandSet all_bands();
/// "5 GHz", "5 and 6 GHz", "2.4, 5 and 6 GHz"
Said bands_text(BandSet);
/// "5 GHz", "5 or 6 GHz"
Said bands_text_any(BandSet);

/// "2.4", "5" or "6", also with " GHz" behind; none for any other text.
std::optional<BandId> find_band(std::string_view name);

}  // namespace yemvo
