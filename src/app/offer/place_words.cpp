// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/offer/place_words.h"

#include "app/model/workspace.h"
#include "render/text_style.h"

namespace yemvo::app {

QString place_words(const Workspace& w, const QString& across, double x_m, const QString& up, double y_m) {
    const auto one = [&](double v) { return render::local(format_length(v, w.units(), false)); };
    return QString("%1 %2  %3 %4").arg(across, one(x_m), up, one(y_m));
}

}  // namespace yemvo::app
