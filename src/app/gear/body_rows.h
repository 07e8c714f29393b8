// SPDX-License-Identifier: GPL-3.0-or-later
// Size, weight, price of any piece of gear; the chips that choose a band.
#pragma once
#include <functional>
#include <vector>

#include "gear/body.h"
#include "wireless/band.h"

class QString;

namespace yemvo::app {

class Form;

void add_body_rows(Form*, const std::function<const Body&()>& get,
                   const std::function<void(const QString&, const std::function<void(Body&)>&)>& change);

/// A row of buttons that can be pressed one at a time.
void add_chips(Form*, const QString& label, const QString& object, const std::vector<QString>& names,
               int chosen, const std::function<void(int)>& choose);

}  // namespace yemvo::app
