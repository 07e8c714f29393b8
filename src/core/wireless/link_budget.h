// SPDX-License-Identifier: GPL-3.0-or-later
// The terms of a link that do not depend on the venue.
// Sources: ITU-R P.525 (free space), ITU-R P.372 (noise).
#pragma once
#include <span>

namespace yemvo {

/// Nearer than this the far field does not hold; distances are taken as this.
inline constexpr double nearest_distance_m = 0.5;

/// Free-space basic transmission loss [dB], 20 log10(4 pi d f / c). ITU-R P.525-4 (3).
/// f in MHz > 0; a distance below nearest_distance_m counts as that.
double free_space_loss_db(double frequency_mhz, double distance_m);

/// Change of the free-space loss [dB] between two frequencies at any distance.
double frequency_shift_db(double from_mhz, double to_mhz);

/// k T0 B with T0 = 290 K and the receiver's noise figure [dBm].
double noise_dbm(double bandwidth_mhz, double noise_figure_db);

/// Sum of powers given in dBm [dBm]; -infinity for none.
double power_sum_dbm(std::span<const double> powers_dbm);

double milliwatt_from_dbm(double power_dbm);
double dbm_from_milliwatt(double power_mw);

}  // namespace yemvo
