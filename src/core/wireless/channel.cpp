// SPDX-License-Identifier: GPL-3.0-or-later
#include "wireless/channel.h"

#include <algorithm>
#include <map>

namespace yemvo {
namespace {

std::vector<int> stepped(int first, int last, int step) {
    std::vector<int> numbers;
    for (int n = first; n <= last; n += step) numbers.push_back(n);
    return numbers;
}

std::vector<int> joined(std::initializer_list<std::vector<int>> parts) {
    std::vector<int> numbers;
    for (const auto& part : parts) numbers.insert(numbers.end(), part.begin(), part.end());
    return numbers;
}

std::vector<int> numbers_24(int width_mhz) {
    if (width_mhz == 20) return stepped(1, 14, 1);
    if (width_mhz == 40) return stepped(3, 11, 1);
    return {};
}

// Three groups of 20 MHz channels, each cut into wide ones from its lower end.
std::vector<int> numbers_5(int width_mhz) {
    switch (width_mhz) {
        case 20:
            return joined({stepped(36, 64, 4), stepped(100, 144, 4), stepped(149, 177, 4)});
        case 40:
            return joined({stepped(38, 62, 8), stepped(102, 142, 8), stepped(151, 175, 8)});
        case 80:
            return joined({stepped(42, 58, 16), stepped(106, 138, 16), stepped(155, 171, 16)});
        case 160:
            return {50, 114, 163};
        default:
            return {};
    }
}

std::vector<int> numbers_6(int width_mhz) {
    switch (width_mhz) {
        case 20:
            return joined({{1, 2}, stepped(5, 233, 4)});
        case 40:
            return stepped(3, 227, 8);
        case 80:
            return stepped(7, 215, 16);
        case 160:
            return stepped(15, 207, 32);
        case 320:
            return stepped(31, 191, 32);
        default:
            return {};
    }
}

std::vector<int> numbers_of(BandId id, int width_mhz) {
    if (id == band_24) return numbers_24(width_mhz);
    if (id == band_5) return numbers_5(width_mhz);
    if (id == band_6) return numbers_6(width_mhz);
    return {};
}

/// Written out once: each radio of each prediction asks.
const std::vector<int>& numbers(BandId id, int width_mhz) {
    static const auto known = [] {
        std::map<std::pair<BandId, int>, std::vector<int>> table;
        for (const Band& b : bands())
            for (int width : channel_widths_mhz()) table[{b.id, width}] = numbers_of(b.id, width);
        return table;
    }();
    static const std::vector<int> none;
    const auto found = known.find({id, width_mhz});
    return found == known.end() ? none : found->second;
}

void require_valid(const Channel& c) {
    if (is_valid(c)) return;
    throw InvalidChannel(say("there is no channel %1 of %2 MHz", c.number, c.width_mhz),
                         band(c.band).name + " GHz", say("`yemvo-cli channels` lists those there are"));
}

}  // namespace

const std::vector<int>& channel_widths_mhz() {
    static const std::vector<int> widths{20, 40, 80, 160, 320};
    return widths;
}

std::vector<Channel> channels(BandId id, int width_mhz) {
    std::vector<Channel> list;
    for (int n : numbers(id, width_mhz)) list.push_back({id, n, width_mhz});
    return list;
}

bool is_valid(const Channel& c) {
    const auto& known = numbers(c.band, c.width_mhz);
    return std::find(known.begin(), known.end(), c.number) != known.end();
}

double centre_mhz(const Channel& c) {
    require_valid(c);
    if (c.band == band_24 && c.number == 14) return 2484;
    if (c.band == band_6 && c.width_mhz == 20 && c.number == 2) return 5935;
    return band(c.band).start_mhz + 5.0 * c.number;
}

std::vector<int> primaries(const Channel& c) {
    require_valid(c);
    if (c.width_mhz == 20) return {c.number};
    const int reach =
        c.width_mhz / 10 - 2;  // from the centre to the outermost 20 MHz centre, in steps of 5 MHz
    return stepped(c.number - reach, c.number + reach, 4);
}

std::vector<Channel> channels_around(BandId id, int primary, int width_mhz) {
    std::vector<Channel> list;
    for (const Channel& c : channels(id, width_mhz)) {
        const auto inside = primaries(c);
        if (std::find(inside.begin(), inside.end(), primary) != inside.end()) list.push_back(c);
    }
    return list;
}

std::string short_channel_text(int primary, int width_mhz) {
    return std::to_string(primary) + " / " + std::to_string(width_mhz);
}

std::string channel_text(int primary, int width_mhz) {
    return short_channel_text(primary, width_mhz) + " MHz";
}

}  // namespace yemvo
