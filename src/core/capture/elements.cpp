// SPDX-License-Identifier: GPL-3.0-or-later
#include "capture/elements.h"

#include <algorithm>
#include <cmath>

#include "capture/bytes.h"

namespace yemvo {
namespace {

void read_name(Elements& e, FrameBytes body) {
    const auto all_zero = std::ranges::all_of(body, [](std::uint8_t c) { return c == 0; });
    std::string name(body.begin(), body.end());
    if (e.ssid) return;  // the first one counts
    e.ssid = all_zero ? std::string() : std::move(name);
    e.hidden = all_zero;
}

void read_rates(Elements& e, FrameBytes body) {
    constexpr int basic = 0x80, last_rate = 122;  // higher codes are selectors
    for (std::uint8_t r : body) {
        const int code = r & 0x7f;
        if (!(r & basic) || code == 0 || code > last_rate) continue;
        const double mbps = code / 2.0;
        if (e.lowest_basic_mbps == 0 || mbps < e.lowest_basic_mbps) e.lowest_basic_mbps = mbps;
    }
}

void read_ht_abilities(Elements& e, FrameBytes body) {
    if (body.size() < 7) return;
    const std::uint32_t info = number_at(body, 0, 2);
    e.can.ht = true;
    if (info & 2) {
        e.can.widest_24_mhz = std::max(e.can.widest_24_mhz, 40);
        e.can.widest_5_mhz = std::max(e.can.widest_5_mhz, 40);
    }
    e.can.refuses_40 = info >> 14 & 1;
    for (std::size_t k = 0; k < 4; ++k)
        if (body[3 + k] != 0) e.can.streams = std::max(e.can.streams, static_cast<int>(k) + 1);
}

void read_ht_operation(Elements& e, FrameBytes body) {
    if (body.size() < 2) return;
    e.primary = body[0];
    const int offset = body[1] & 3;
    e.secondary = offset == 1 ? Secondary::above : offset == 3 ? Secondary::below : Secondary::none;
}

/// Two bits a stream: 3 is none. Gives the highest code among those there are.
int read_stream_map(std::uint32_t map, Abilities& can) {
    int best = -1;
    for (int s = 0; s < 8; ++s) {
        const int code = static_cast<int>(map >> (2 * s) & 3);
        if (code == 3) continue;
        can.streams = std::max(can.streams, s + 1);
        best = std::max(best, code);
    }
    return best;
}

void read_vht_abilities(Elements& e, FrameBytes body) {
    if (body.size() < 6) return;
    e.can.vht = true;
    const bool at_160 = (number_at(body, 0, 4) >> 2 & 3) != 0;
    e.can.widest_5_mhz = std::max(e.can.widest_5_mhz, at_160 ? 160 : 80);
    const int code = read_stream_map(number_at(body, 4, 2), e.can);
    if (code >= 0) e.can.vht_most_mcs = 7 + code;
}

void read_vht_operation(Elements& e, FrameBytes body) {
    if (body.size() < 3) return;
    e.vht_width = body[0];
    e.vht_segment_0 = body[1];
    e.vht_segment_1 = body[2];
}

void read_he_abilities(Elements& e, FrameBytes body) {
    constexpr std::size_t mac = 6, phy = 11;
    if (body.size() < mac + phy + 2) return;
    e.can.he = true;
    const int widths = body[mac];
    if (widths & 2) e.can.widest_24_mhz = std::max(e.can.widest_24_mhz, 40);
    if (widths & 4) e.can.widest_5_mhz = std::max(e.can.widest_5_mhz, 80);
    if (widths & 8) e.can.widest_5_mhz = std::max(e.can.widest_5_mhz, 160);
    const int code = read_stream_map(number_at(body, mac + phy, 2), e.can);
    if (code >= 0) e.can.he_most_mcs = 7 + 2 * code;
}

void read_he_operation(Elements& e, FrameBytes body) {
    if (body.size() < 6) return;
    const std::uint32_t parameters = number_at(body, 0, 3);
    const int colour = body[3] & 0x3f;
    if (!(body[3] & 0x80) && colour != 0) e.colour = colour;
    std::size_t at = 6;
    if (parameters >> 14 & 1) at += 3;
    if (parameters >> 15 & 1) at += 1;
    if (!(parameters >> 17 & 1) || at + 5 > body.size()) return;
    e.he_6 = {body[at], body[at + 1] & 3, body[at + 2], body[at + 3], body[at + 4]};
}

void read_eht_operation(Elements& e, FrameBytes body) {
    if (body.size() < 5 + 3 || !(body[0] & 1)) return;
    e.eht = {body[5] & 7, body[6], body[7]};
}

void read_multiple(Elements& e, FrameBytes body) {
    // profiles, each a list of elements of its own
    for (std::size_t at = 1; at + 2 <= body.size();) {
        const std::size_t length = body[at + 1];
        if (at + 2 + length > body.size()) return;
        if (body[at] == 0) {
            const FrameBytes profile = body.subspan(at + 2, length);
            for (std::size_t k = 0; k + 2 <= profile.size();) {
                const std::size_t own = profile[k + 1];
                if (k + 2 + own > profile.size()) break;
                if (profile[k] == 0 && own > 0 && profile[k + 2] != 0)
                    e.more_ssids.emplace_back(profile.begin() + static_cast<std::ptrdiff_t>(k + 2),
                                              profile.begin() + static_cast<std::ptrdiff_t>(k + 2 + own));
                k += 2 + own;
            }
        }
        at += 2 + length;
    }
}

void read_reported(Elements& e, FrameBytes body) {
    for (std::size_t at = 0; at + 4 <= body.size();) {
        const std::uint32_t head = number_at(body, at, 2);
        const std::size_t entries = (head >> 4 & 15) + 1, length = head >> 8;
        const int operating_class = body[at + 2], channel = body[at + 3];
        at += 4;
        if (length == 0) return;
        for (std::size_t i = 0; i < entries; ++i, at += length) {
            if (at + length > body.size()) return;
            ReportedRadio r{operating_class, channel, {}, false, {}};
            if (length >= 7) r.bssid = address_at(body, at + 1);
            const bool with_short = length >= 11;
            const std::size_t flags = at + (with_short ? 11 : 7);
            if (length == 8 || length == 9 || length >= 12) r.same_device = body[flags] >> 6 & 1;
            if (length == 9 || length >= 13)
                r.density_dbm_per_mhz = static_cast<std::int8_t>(body[flags + 1]) / 2.0;
            e.reported.push_back(r);
        }
    }
}

void read_extended(Elements& e, FrameBytes body) {
    if (body.empty()) return;
    const FrameBytes rest = body.subspan(1);
    switch (body[0]) {
        case 35:
            return read_he_abilities(e, rest);
        case 36:
            return read_he_operation(e, rest);
        case 106:
            return read_eht_operation(e, rest);
        case 108:
            e.can.eht = true;
            return;
        default:
            return;
    }
}

void read_element(Elements& e, int id, FrameBytes body) {
    switch (id) {
        case 0:
            return read_name(e, body);
        case 1:
        case 50:
            return read_rates(e, body);
        case 3:
            if (body.size() >= 1 && e.primary == 0) e.primary = body[0];
            return;
        case 7:
            if (body.size() >= 2) e.country.assign(body.begin(), body.begin() + 2);
            return;
        case 11:
            if (body.size() < 3) return;
            e.stations = static_cast<int>(number_at(body, 0, 2));
            e.utilisation = body[2] / 255.0;
            return;
        case 35:
            if (body.size() >= 1) e.transmit_dbm = static_cast<std::int8_t>(body[0]);
            return;
        case 45:
            return read_ht_abilities(e, body);
        case 61:
            return read_ht_operation(e, body);
        case 71:
            return read_multiple(e, body);
        case 191:
            return read_vht_abilities(e, body);
        case 192:
            return read_vht_operation(e, body);
        case 201:
            return read_reported(e, body);
        case 255:
            return read_extended(e, body);
        default:
            return;
    }
}

/// A block of a width with this centre, or none that there is.
std::optional<Channel> block(BandId band, int centre, int width_mhz) {
    const Channel c{band, centre, width_mhz};
    return is_valid(c) ? std::optional(c) : std::nullopt;
}

/// By two segments, as VHT and 6 GHz operation have them: the second one is the centre of the whole.
std::optional<Channel> of_segments(BandId band, int segment_0, int segment_1) {
    if (segment_1 == 0) return block(band, segment_0, 80);
    if (std::abs(segment_1 - segment_0) == 8) return block(band, segment_1, 160);
    return block(band, segment_0, 80);  // 80+80: the part that holds the primary
}

std::optional<Channel> wide_at_6(const Elements& e) {
    if (e.eht) {
        constexpr int widths[] = {20, 40, 80, 160, 320};
        if (e.eht->width <= 4) {
            const int width = widths[e.eht->width];
            const int centre = width >= 160 ? e.eht->segment_1 : e.eht->segment_0;
            if (const auto c = block(band_6, centre, width)) return c;
        }
    }
    if (!e.he_6) return std::nullopt;
    switch (e.he_6->width) {
        case 0:
            return block(band_6, e.he_6->primary, 20);
        case 1:
            return block(band_6, e.he_6->segment_0, 40);
        case 2:
            return block(band_6, e.he_6->segment_0, 80);
        default:
            return of_segments(band_6, e.he_6->segment_0, e.he_6->segment_1);
    }
}

std::optional<Channel> wide_at_5(const Elements& e, int primary) {
    if (e.eht && e.eht->width >= 3 && e.eht->width <= 4)
        if (const auto c = block(band_5, e.eht->segment_1, e.eht->width == 3 ? 160 : 320)) return c;
    if (e.vht_width.value_or(0) == 2)
        if (const auto c = block(band_5, *e.vht_segment_0, 160)) return c;
    if (e.vht_width.value_or(0) >= 1)
        if (const auto c = of_segments(band_5, *e.vht_segment_0, *e.vht_segment_1)) return c;
    if (e.secondary == Secondary::none) return std::nullopt;
    return block(band_5, primary + (e.secondary == Secondary::above ? 2 : -2), 40);
}

}  // namespace

const char* Abilities::standard() const { return eht ? "be" : he ? "ax" : vht ? "ac" : ht ? "n" : "g"; }

Elements read_elements(FrameBytes bytes) {
    Elements e;
    for (std::size_t at = 0; at + 2 <= bytes.size();) {
        const std::size_t length = bytes[at + 1];
        if (at + 2 + length > bytes.size()) {
            e.cut = true;
            break;
        }
        read_element(e, bytes[at], bytes.subspan(at + 2, length));
        at += 2 + length;
    }
    return e;
}

std::optional<Channel> channel_on(double mhz) {
    for (const Band& b : bands())
        for (const Channel& c : channels(b.id, 20))
            if (std::abs(centre_mhz(c) - mhz) < 0.6) return c;
    return std::nullopt;
}

std::optional<OperatingChannel> operating_channel(const Elements& e, double tuned_mhz) {
    const auto tuned = channel_on(tuned_mhz);
    BandId band = e.primary > 14 ? band_5 : band_24;
    if (tuned)
        band = tuned->band;
    else if (tuned_mhz > 5925)
        band = band_6;
    else if (tuned_mhz > 3000)
        band = band_5;
    else if (e.he_6)
        band = band_6;
    int primary = e.primary;
    if (band == band_6) primary = e.he_6 ? e.he_6->primary : tuned ? tuned->number : 0;
    // a scanner at 2.4 GHz hears beacons of the channels beside: what the frame says goes before what was
    // tuned
    if (primary == 0 && tuned) primary = tuned->number;
    if (!is_valid({band, primary, 20})) return std::nullopt;
    std::optional<Channel> wide;
    if (band == band_6)
        wide = wide_at_6(e);
    else if (band == band_5)
        wide = wide_at_5(e, primary);
    else if (e.secondary != Secondary::none)
        wide = block(band_24, primary + (e.secondary == Secondary::above ? 2 : -2), 40);
    if (wide) {
        const std::vector<int> inside = primaries(*wide);
        if (std::ranges::count(inside, primary) == 0) wide.reset();
    }
    return OperatingChannel{wide.value_or(Channel{band, primary, 20}), primary};
}

}  // namespace yemvo
