// SPDX-License-Identifier: GPL-3.0-or-later
// Building materials by ITU-R P.2040-2 (2021), and the loss of plane layers of them.
#pragma once
#include <string>
#include <vector>

namespace yemvo {

/// Relative permittivity a f^b and conductivity c f^d [S/m], f in GHz (P.2040-2, Table 3).
struct Material {
    std::string name;
    double a = 1, b = 0, c = 0, d = 0;
    double low_ghz = 0.001, high_ghz = 100;  ///< where the constants hold
    friend bool operator==(const Material&, const Material&) = default;
};

/// A plane layer; or, with sheet_ohm, a conducting film without thickness (a coating), told by its surface
/// resistance in ohms a square.
struct Layer {
    Material material;
    double thickness_m = 0.1;
    double sheet_ohm = 0;
    friend bool operator==(const Layer&, const Layer&) = default;
};

/// Attenuation of a plane wave in the material [dB/m].
double bulk_loss_db_per_m(const Material&, double frequency_ghz);

/// Transmission loss of layers between air and air [dB], uncapped.
struct LayerLoss {
    double te_db;  ///< electric field across the plane of incidence: vertical antennas and upright walls
    double tm_db;
    double mean_db() const;  ///< of the mean of both powers
};
/// By the backward recursion over the layers' wave impedances (P.2040-2, section 2.2.2, in a form in which
/// only decaying exponentials occur). `angle_deg` from the normal, [0, 90).
LayerLoss layer_loss(const std::vector<Layer>&, double frequency_ghz, double angle_deg);

}  // namespace yemvo
