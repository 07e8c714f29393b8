// SPDX-License-Identifier: GPL-3.0-or-later
// The spectrum: its board in the tray, and who hears whom as a result that predictions bring along.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class RetunePage;
class SpectrumPage;
class WidthsPage;

class SpectrumFeature : public Feature {
    Q_OBJECT
public:
    explicit SpectrumFeature(Shell&);
    SpectrumPage& page() { return *page_; }
    RetunePage& retune() { return *retune_; }
    WidthsPage& widths() { return *widths_; }

private:
    void lock();
    SpectrumPage* page_;
    RetunePage* retune_;
    WidthsPage* widths_;
};

}  // namespace yemvo::app
