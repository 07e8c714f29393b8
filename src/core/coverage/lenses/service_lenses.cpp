// SPDX-License-Identifier: GPL-3.0-or-later
// What a client gets: rates, balance, and how surely.
#include <cmath>

#include "coverage/lens_map.h"
#include "coverage/lenses/lens_entries.h"
#include "wireless/link_budget.h"

namespace yemvo {
namespace {

std::shared_ptr<const RateTable> table(const LensPainter& p, const RadioField& f, bool up) {
    return p.floor().memo->rate_tables.of(f.ability, f.channel, p.choice().client,
                                          up ? f.noise_figure_db : p.choice().client.noise_figure_db);
}

void rates(const LensPainter& p, LensPlane& values, bool up) {
    struct OfServer {
        RateTable::View table{};
        int shift_cdb = 0;  ///< from what arrives here to what arrives there
    };
    std::vector<OfServer> by_server(p.radios().size());
    std::vector<std::shared_ptr<const RateTable>> held;
    for (std::size_t i = 0; i < p.cells(); ++i) {
        const int server = p.serving()[i];
        if (server < 0) {
            values[i] = LensPainter::no_value;
            continue;
        }
        OfServer& of = by_server[static_cast<std::size_t>(server)];
        if (!of.table.step) {
            const RadioField& f = p.radios()[static_cast<std::size_t>(server)];
            of.table = held.emplace_back(table(p, f, up))->view();
            if (up)
                of.shift_cdb =
                    static_cast<int>(std::lround(100 * (p.choice().client.power_dbm - f.power_dbm)));
        }
        values[i] = of.table.at(p.reduction().best_cdbm[i] + of.shift_cdb);
    }
}

void rate_down(LensPainter& p, LensPlane& out) { rates(p, out, false); }
void rate_up(LensPainter& p, LensPlane& out) { rates(p, out, true); }

void balance(LensPainter& p, LensPlane& out) {
    p.of_serving([&](const RadioField& f) { return f.power_dbm - p.choice().client.power_dbm; }, out);
}

void confidences(LensPainter& p, LensPlane& out) {
    std::ranges::fill(out, LensPainter::no_value);
    for (std::size_t i = 0; i < p.cells(); ++i) {
        const int server = p.serving()[i];
        if (server < 0) continue;
        const RadioField& f = p.radios()[static_cast<std::size_t>(server)];
        if (!f.deviation) continue;
        const double material_db = double{(*f.deviation)[f.band.index].at(i)};
        out[i] = static_cast<float>(100 * confidence(p.reduction().best_cdbm[i] / 100.0, p.choice().level_dbm,
                                                     total_deviation_db(material_db)));
    }
}

}  // namespace

std::vector<LensEntry> service_lenses() {
    using enum LensGroup;
    using enum LensKind;
    using enum LensBands;
    LensNeeds client, likelihood;
    client.client = true;
    likelihood.deviation = likelihood.level = true;
    return {
        {{LensId::rate_down, service, amount, "rate_down", mark("Downlink PHY rate"), "Mbit/s", 0, 100, 100,
          50, true, mark("The PHY rate at which the serving radio can send to the chosen client here."), best,
          client},
         rate_down},
        {{LensId::rate_up, service, amount, "rate_up", mark("Uplink PHY rate"), "Mbit/s", 0, 100, 50, 50,
          true, mark("The PHY rate at which the chosen client can send from here, with its own power."), best,
          client},
         rate_up},
        {{LensId::balance, service, amount, "balance", mark("Link balance"), "dB", -6, 2, 6, 2, false,
          mark("By how many dB the way up is weaker than the way down, since the client sends with less "
               "power."),
          together, client},
         balance},
        {{LensId::confidence, service, amount, "confidence", mark("Confidence"), "%", 40, 5, 90, 4, true,
          mark("Probability that the required signal is reached here, given what walls and the model can be "
               "off "
               "by."),
          best, likelihood},
         confidences},
    };
}

}  // namespace yemvo
