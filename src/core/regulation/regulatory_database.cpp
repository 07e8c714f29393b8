// SPDX-License-Identifier: GPL-3.0-or-later
#include "regulation/regulatory_database.h"

#include <algorithm>
#include <array>
#include <cstdint>

namespace yemvo {
namespace {

constexpr std::uint32_t magic = 0x52474442, known_version = 20;

/// Big-endian fields of the file.
class BigEndian {
public:
    explicit BigEndian(std::span<const std::byte> all) : all_(all) {}
    std::uint32_t number(std::size_t at, int bytes) const {
        if (at + static_cast<std::size_t>(bytes) > all_.size())
            throw Error(say("it ends where something should stand, at byte %1", at),
                        say("regulatory database"), say("Install the package wireless-regdb again."));
        std::uint32_t value = 0;
        for (int i = 0; i < bytes; ++i)
            value = value << 8 | std::to_integer<std::uint32_t>(all_[at + static_cast<std::size_t>(i)]);
        return value;
    }

private:
    std::span<const std::byte> all_;
};

RegulatoryRange read_range(const BigEndian& file, std::size_t at) {
    const std::uint32_t length = file.number(at, 1), flags = file.number(at + 1, 1);
    RegulatoryRange r;
    r.max_eirp_dbm = file.number(at + 2, 2) / 100.0;
    r.low_mhz = file.number(at + 4, 4) / 1000.0;
    r.high_mhz = file.number(at + 8, 4) / 1000.0;
    r.max_width_mhz = file.number(at + 12, 4) / 1000.0;
    if (length >= 18) r.dfs_wait_s = static_cast<int>(file.number(at + 16, 2));
    r.no_ofdm = flags & 1;
    r.indoor_only = flags & 2;
    r.dfs = flags & 4;
    r.no_initiation = flags & 8;
    r.auto_width = flags & 16;
    return r;
}

CountryRules read_country(const BigEndian& file, std::string code, std::size_t at) {
    CountryRules c;
    c.code = std::move(code);
    const std::uint32_t length = file.number(at, 1), count = file.number(at + 1, 1),
                        region = file.number(at + 2, 1) & 3;
    c.region = static_cast<DfsRegion>(region);
    const std::size_t list = at + (length + 1) / 2 * 2;
    for (std::uint32_t i = 0; i < count; ++i)
        c.ranges.push_back(read_range(file, std::size_t{file.number(list + std::size_t{2} * i, 2)} * 4));
    std::ranges::sort(c.ranges, {}, &RegulatoryRange::low_mhz);
    return c;
}

}  // namespace

std::string_view dfs_region_name(DfsRegion region) {
    static constexpr std::array<std::string_view, 4> names{"", "FCC", "ETSI", "JP"};
    return names[static_cast<std::size_t>(region)];
}

RegulatoryDatabase RegulatoryDatabase::read(std::span<const std::byte> bytes) {
    const BigEndian file(bytes);
    const Said where = say("regulatory database"), remedy = say("Install the package wireless-regdb again.");
    if (file.number(0, 4) != magic) throw Error(say("it does not begin as one does"), where, remedy);
    if (file.number(4, 4) != known_version)
        throw Error(say("its version %1 is not known", file.number(4, 4)), where, remedy);
    RegulatoryDatabase out;
    for (std::size_t at = 8; file.number(at + 2, 2) != 0; at += 4) {
        std::string code{static_cast<char>(file.number(at, 1)), static_cast<char>(file.number(at + 1, 1))};
        out.countries_[code] = read_country(file, code, std::size_t{file.number(at + 2, 2)} * 4);
    }
    return out;
}

const CountryRules* RegulatoryDatabase::find(std::string_view code) const {
    const auto at = countries_.find(code);
    return at == countries_.end() ? nullptr : &at->second;
}

}  // namespace yemvo
