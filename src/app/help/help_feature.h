// SPDX-License-Identifier: GPL-3.0-or-later
// The guide in the window, and what this program is.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class GuidePage;

class HelpFeature : public Feature {
    Q_OBJECT
public:
    explicit HelpFeature(Shell&);

private:
    void tell_about();
    GuidePage* guide_;
};

}  // namespace yemvo::app
