// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/rate_table.h"

#include <stdexcept>

namespace yemvo {
namespace {

std::uint64_t text_key(std::string_view text) { return std::hash<std::string_view>()(text); }

}  // namespace

RateTable::RateTable(const RateLadder& ladder) {
    const auto at_dbm = [&](int cdbm) { return static_cast<float>(ladder.rate_mbps(cdbm / 100.0)); };
    const auto add = [&](float mbps) {
        if (mbps_.empty() || mbps_.back() != mbps) mbps_.push_back(mbps);
        if (mbps_.size() > 256) throw std::logic_error("a rate table has room for 256 steps");
        step_.push_back(static_cast<std::uint8_t>(mbps_.size() - 1));
    };
    step_.reserve(high_cdbm - low_cdbm + 1);
    // the few steps lie within some whole dB: the others need no look
    for (int from = low_cdbm; from < high_cdbm; from += 100) {
        const float low = at_dbm(from);
        const bool level = low == at_dbm(from + 100);
        for (int cdbm = from; cdbm < from + 100; ++cdbm) add(level ? low : at_dbm(cdbm));
    }
    add(at_dbm(high_cdbm));
}

std::shared_ptr<const RateTable> RateTables::of(const RadioAbility& radio, const Channel& channel,
                                                const ClientProfile& client, double noise_figure_db) {
    const std::uint64_t key = ContentKey()
                                  .add(radio.standard ? static_cast<int>(*radio.standard) : -1)
                                  .add(radio.streams)
                                  .add(int{radio.band.index})
                                  .add(channel.width_mhz)
                                  .add(text_key(client.standard))
                                  .add(client.streams)
                                  .add(client.widest(radio.band))
                                  .add(noise_figure_db)
                                  .value();
    if (auto found = kept_.find(key)) return found;
    auto made = std::make_shared<const RateTable>(RateLadder(radio, channel, client, noise_figure_db));
    kept_.keep(key, made, made->bytes());
    return made;
}

}  // namespace yemvo
