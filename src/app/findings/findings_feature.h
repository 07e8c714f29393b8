// SPDX-License-Identifier: GPL-3.0-or-later
// The model's own checks: looked for behind the window, in the tray, counted in the header.
#pragma once
#include "app/findings/findings_runner.h"
#include "app/offer/feature.h"

namespace yemvo::app {

class FindingsPage;

class FindingsFeature : public Feature {
    Q_OBJECT
public:
    explicit FindingsFeature(Shell&);
    ~FindingsFeature() override;
    FindingsPage& page() { return *page_; }
    bool is_looking() const { return !runner_.is_idle(); }

private:
    void look();
    FindingsRunner runner_;
    FindingsPage* page_;
};

}  // namespace yemvo::app
