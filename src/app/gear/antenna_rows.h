// SPDX-License-Identifier: GPL-3.0-or-later
// The rows of a form that describe one antenna: gain, the kind of lobe, its parameters or its measured cuts.
#pragma once
#include <functional>

#include "antenna/antenna.h"

class QString;

namespace yemvo::app {

class Form;

struct AntennaAccess {
    std::function<const Antenna&()> get;
    /// Asks for an edit with this label.
    std::function<void(const QString& label, const std::function<void(Antenna&)>& how)> change;
    std::function<void()> from_file;   ///< a pattern is asked for and read
    std::function<void()> from_chart;  ///< a picture or page with charts is
    double frequency_mhz = 5500;       ///< where a lobe is taken as values
};

void add_antenna_rows(Form*, const AntennaAccess&);
/// What decides which rows there are.
QString rows_for(const Antenna&);

}  // namespace yemvo::app
