// SPDX-License-Identifier: GPL-3.0-or-later
// What clients do, and what that asks of a network.
#pragma once
#include <optional>
#include <string>
#include <string_view>

namespace yemvo {

/// How long its packets may wait: which of the queues of IEEE 802.11e they take.
enum class DelayClass {
    patient,    ///< bulk: takes what it gets
    prompt,     ///< somebody waits for it
    real_time,  ///< speech: its frames go alone and before others
};
std::string_view delay_class_name(DelayClass);
std::optional<DelayClass> find_delay_class(std::string_view name);

struct Application {
    std::string key;
    std::string name;
    double down_mbps = 0, up_mbps = 0;  ///< while it is active
    double active = 1;                  ///< share of time
    int packet_down_bytes = 1500, packet_up_bytes = 1500;
    double burst_down = 1, burst_up = 1;                  ///< packets that come together
    double least_signal_dbm = -200, least_rate_mbps = 0;  ///< PHY rate down; -200 and 0: any
    DelayClass delay = DelayClass::prompt;
    double mean_down_mbps() const { return down_mbps * active; }
    double mean_up_mbps() const { return up_mbps * active; }
    friend bool operator==(const Application&, const Application&) = default;
};

}  // namespace yemvo
