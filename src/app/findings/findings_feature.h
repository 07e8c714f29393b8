// SPDX-License-Identifier: GPL-3.0-or-later
// The model's own checks: looked for behind the window, in the tray, counted in the header.
#pragma once
#include <string>

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
    void follow_country();
    void tell_what_no_longer_fits();
    FindingsRunner runner_;
    FindingsPage* page_;
    std::string country_;
    int looks_left_ = 0;  ///< after a change of the country, until what does not fit has been found
};

}  // namespace yemvo::app
