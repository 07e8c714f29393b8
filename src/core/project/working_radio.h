// SPDX-License-Identifier: GPL-3.0-or-later
// What a radio does as its access point is set and fed: the one place where model, source, antenna and cable
// come together. Prediction, rates, explanations and tables ask here.
#pragma once
#include <cstddef>

#include "project/project.h"
#include "wireless/rates.h"

namespace yemvo {

struct WorkingRadio {
    const RadioModel* model;
    const RadioBand* can;          ///< in the band that it is set to
    bool fed = true;               ///< the source lets it work
    bool on = true;                ///< set to be, and fed
    Chains chains;                 ///< that the source leaves
    double most_power_dbm = 0;     ///< that model and source allow
    double power_dbm = 0;          ///< as it is set, at most that
    const AntennaModel* external;  ///< null: its own antenna
    Antenna antenna;               ///< at the channel's frequency
    double cable_loss_db = 0;
    double array_gain_db = 0;  ///< of its chains, where the project counts it; levels on the map have none
    double eirp_dbm() const { return power_dbm - cable_loss_db + antenna.gain_dbi + array_gain_db; }
    std::optional<Standard> standard() const { return find_standard(model->standard); }
};

/// `radio`: below the number of the access point's radios. Throws std::logic_error where its band is none of
/// the model's: check_references and mend_references let no such project pass. Pointers and the model's parts
/// last as long as the project.
WorkingRadio working_radio(const Project&, const AccessPoint&, std::size_t radio);

/// Whether it is on and fed: what working_radio says of that, without antenna and cable.
bool is_at_work(const Project&, const AccessPoint&, std::size_t radio);

/// Of the current variant: those that are on and fed, as the placed access point and the radio's index.
struct RadioAt {
    PlacedAccessPoint placed;
    std::size_t radio;
    const Radio& set() const { return placed.access_point->radios[radio]; }
};
std::vector<RadioAt> radios_at_work(const Project&);

/// What a source takes from a model's radios, one sentence a radio; nothing where it leaves everything.
std::vector<Said> lost_to_source(const AccessPointModel&, PowerSource, int alternative);
/// Of an access point as it is fed.
std::vector<Said> lost_to_source(const Project&, const AccessPoint&);

/// Antennas of the project that fit the radio in a band.
std::vector<const AntennaModel*> fitting_antennas(const Project&, const RadioBand&);

}  // namespace yemvo
