// SPDX-License-Identifier: GPL-3.0-or-later
#include "wireless/link_budget.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace yemvo {

double free_space_loss_db(double frequency_mhz, double distance_m) {
    constexpr double speed_of_light = 299'792'458.0;
    const double d = std::max(distance_m, nearest_distance_m);
    return 20 * std::log10(4 * std::numbers::pi * d * frequency_mhz * 1e6 / speed_of_light);
}

double frequency_shift_db(double from_mhz, double to_mhz) { return 20 * std::log10(to_mhz / from_mhz); }

double noise_dbm(double bandwidth_mhz, double noise_figure_db) {
    constexpr double boltzmann = 1.380649e-23, t0_kelvin = 290;
    return 10 * std::log10(boltzmann * t0_kelvin * bandwidth_mhz * 1e6) + 30 + noise_figure_db;
}

double milliwatt_from_dbm(double power_dbm) { return std::pow(10.0, power_dbm / 10); }
double dbm_from_milliwatt(double power_mw) { return 10 * std::log10(power_mw); }

double power_sum_dbm(std::span<const double> powers_dbm) {
    double sum_mw = 0;
    for (double p : powers_dbm) sum_mw += milliwatt_from_dbm(p);
    return dbm_from_milliwatt(sum_mw);
}

}  // namespace yemvo
