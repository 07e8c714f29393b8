// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>
#include <memory>
#include <ostream>

#include "cli/command_set.h"
#include "cli/json_out.h"
#include "wireless/channel.h"
#include "wireless/rates.h"

namespace yemvo::cli {
namespace {

struct RatesWish {
    std::string standard;
    int width_mhz = 20, streams = 1;
    double guard_us = 0.8;
};

int rates(Context& context, const RatesWish& wish) {
    const Standard standard = *find_standard(wish.standard);
    Json list = Json::array();
    for (const Mcs& mcs : mcs_list(standard)) {
        const auto rate = phy_rate_mbps(standard, wish.width_mhz, wish.streams, mcs.index, wish.guard_us);
        if (!rate) continue;
        list.push_back({{"mcs", mcs.index},
                        {"modulation", mcs.modulation},
                        {"code_rate", mcs.code_text()},
                        {"rate_mbps", rounded(*rate, 1)}});
    }
    if (list.empty())
        throw Error(say("802.11%1 has no rates at %2 MHz with %3 streams and that guard interval",
                        wish.standard, wish.width_mhz, wish.streams),
                    {},
                    say("n: 20, 40 MHz, guard 0.4, 0.8; ac: to 160 MHz, 0.4, 0.8; ax: to 160 MHz, be: to 320 "
                        "MHz, guard 0.8, 1.6, 3.2"));
    if (context.json) return print(context, list), done;
    for (const Json& entry : list) {
        char line[100];
        std::snprintf(line, sizeof line, "MCS %2d  %-9s %-4s %9.1f Mbit/s\n", entry["mcs"].get<int>(),
                      entry["modulation"].get<std::string>().c_str(),
                      entry["code_rate"].get<std::string>().c_str(), entry["rate_mbps"].get<double>());
        context.out << line;
    }
    return done;
}

int list_channels(Context& context, const std::string& name, int width_mhz) {
    Json list = Json::array();
    for (const Channel& c : channels(*find_band(name), width_mhz))
        list.push_back({{"channel", c.number}, {"centre_mhz", centre_mhz(c)}, {"primaries", primaries(c)}});
    if (list.empty())
        throw Error(say("the band has no channels %1 MHz wide", width_mhz), say("%1 GHz", name),
                    say("Use 20 or 40 at 2.4 GHz, to 160 at 5 GHz, to 320 at 6 GHz"));
    if (context.json) return print(context, list), done;
    for (const Json& entry : list) {
        context.out << entry["channel"] << "  " << entry["centre_mhz"].get<double>() << " MHz  ";
        for (const Json& p : entry["primaries"]) context.out << " " << p;
        context.out << "\n";
    }
    return done;
}

}  // namespace

void add_radio_commands(CLI::App& root, Context& context) {
    const auto wish = std::make_shared<RatesWish>();
    CLI::App* command = add_command(root, context, "rates", "PHY rates of a standard",
                                    "rates --standard ax --width 80 --streams 2 --guard 0.8",
                                    [&context, wish] { return rates(context, *wish); });
    command->add_option("--standard", wish->standard, "n, ac, ax or be")
        ->required()
        ->check(CLI::IsMember({"n", "ac", "ax", "be"}));
    command->add_option("--width", wish->width_mhz, "Channel width in MHz, 20 to 320")->required();
    command->add_option("--streams", wish->streams, "Spatial streams")->required();
    command->add_option("--guard", wish->guard_us, "Guard interval in microseconds: 0.4, 0.8, 1.6 or 3.2")
        ->required();

    const auto name = std::make_shared<std::string>();
    const auto width_mhz = std::make_shared<int>(20);
    command = add_command(root, context, "channels", "Channels of a band at a width",
                          "channels --band 6 --width 80 --json",
                          [&context, name, width_mhz] { return list_channels(context, *name, *width_mhz); });
    command->add_option("--band", *name, "2.4, 5 or 6 (GHz)")->required()->check(CLI::IsMember(band_names()));
    command->add_option("--width", *width_mhz, "Channel width in MHz")->required();
}

}  // namespace yemvo::cli
