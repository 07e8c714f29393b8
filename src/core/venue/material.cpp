// SPDX-License-Identifier: GPL-3.0-or-later
#include "venue/material.h"

#include <cmath>
#include <complex>
#include <numbers>

namespace yemvo {
namespace {

using Complex = std::complex<double>;
constexpr double light_m_per_ns = 0.299792458;
constexpr double thin_film_m = 1e-8;  ///< far below the skin depth of any coating

Complex permittivity(double real, double conductivity, double frequency_ghz) {
    // 1 / (2 pi epsilon_0), for GHz
    return {real, -17.97510 * conductivity / frequency_ghz};
}

Complex permittivity(const Material& m, double frequency_ghz) {
    return permittivity(m.a * std::pow(frequency_ghz, m.b), m.c * std::pow(frequency_ghz, m.d),
                        frequency_ghz);
}

Complex permittivity(const Layer& l, double frequency_ghz) {
    if (l.sheet_ohm <= 0) return permittivity(l.material, frequency_ghz);
    return permittivity(1, 1 / (l.sheet_ohm * thin_film_m), frequency_ghz);
}

double wave_number(double frequency_ghz) { return 2 * std::numbers::pi * frequency_ghz / light_m_per_ns; }

/// Root with an imaginary part at most 0: the wave decays on its way.
Complex decaying_root(Complex v) {
    const Complex root = std::sqrt(v);
    return root.imag() > 0 ? -root : root;
}

double transmission(const std::vector<Layer>& layers, double frequency_ghz, double angle_deg, bool te) {
    const double sine = std::sin(angle_deg * std::numbers::pi / 180);
    const std::size_t n = layers.size();
    std::vector<Complex> admittance(n + 2), phase(n + 2, 1.0);
    for (std::size_t i = 0; i < n + 2; ++i) {
        const bool air = i == 0 || i == n + 1;
        const Complex eta = air ? Complex(1, 0) : permittivity(layers[i - 1], frequency_ghz);
        const Complex k = decaying_root(eta - sine * sine);
        admittance[i] = te ? k : eta / k;
        if (air) continue;
        const Layer& layer = layers[i - 1];
        const double thickness_m = layer.sheet_ohm > 0 ? thin_film_m : layer.thickness_m;
        phase[i] = std::exp(Complex(0, -1) * wave_number(frequency_ghz) * k * thickness_m);
    }
    Complex reflected = 0, passed = 1;
    for (std::size_t i = n + 1; i-- > 0;) {
        const Complex r = (admittance[i] - admittance[i + 1]) / (admittance[i] + admittance[i + 1]);
        const Complex back = reflected * phase[i + 1] * phase[i + 1];
        passed *= (1.0 + r) * phase[i + 1] / (1.0 + r * back);
        reflected = (r + back) / (1.0 + r * back);
    }
    return std::abs(passed);
}

double loss_of(double transmitted) { return -20 * std::log10(std::max(transmitted, 1e-30)); }

}  // namespace

double LayerLoss::mean_db() const {
    return -10 * std::log10((std::pow(10, -te_db / 10) + std::pow(10, -tm_db / 10)) / 2);
}

double bulk_loss_db_per_m(const Material& m, double frequency_ghz) {
    const Complex root = decaying_root(permittivity(m, frequency_ghz));
    return 20 / std::numbers::ln10 * wave_number(frequency_ghz) * -root.imag();
}

LayerLoss layer_loss(const std::vector<Layer>& layers, double frequency_ghz, double angle_deg) {
    return {loss_of(transmission(layers, frequency_ghz, angle_deg, true)),
            loss_of(transmission(layers, frequency_ghz, angle_deg, false))};
}

}  // namespace yemvo
