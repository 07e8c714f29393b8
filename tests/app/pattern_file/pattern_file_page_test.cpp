// SPDX-License-Identifier: GPL-3.0-or-later
// A text with numbers that does not say itself what they are: confirmed on the plots.
#include "app/pattern_file/pattern_file_page.h"

#include <QComboBox>
#include <QFile>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTemporaryDir>
#include <cmath>

#include "antenna/pattern/measured_pattern.h"
#include "app/gear/gear_page.h"
#include "app/model/document.h"
#include "app/one_placed.h"
#include "app/pattern/polar_plot.h"
#include "app/picture.h"
#include "render/tr.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

/// A round of values: 3 dB down at half the width beside the peak, which stands at `peak_deg`.
std::string round_of(double width_deg, int peak_deg, double sign) {
    std::string rows;
    for (int a = 0; a < 360; a += 5) {
        const double x = std::remainder(a - peak_deg, 360.0) / width_deg;
        rows += std::to_string(a) + "\t" + plain_number(sign * std::min(12 * x * x, 25.0), 2) + "\n";
    }
    return rows;
}

struct Reader : OnePlaced {
    Reader() {
        window.asking().open_file = [this](const QString&, const QString&) {
            return folder.filePath("sheet.txt");
        };
        menu("view.gear");
        press_button("newAntenna");
    }
    void open(const std::string& text) {
        QFile out(folder.filePath("sheet.txt"));
        REQUIRE(out.open(QIODevice::WriteOnly));
        out.write(text.data(), static_cast<qint64>(text.size()));
        out.close();
        press_button("patternFile");
        is_read();
    }
    void is_read() {
        REQUIRE(QTest::qWaitFor([this] { return page().is_idle(); }, 5000));
        turn_of_the_loop();
    }
    void choose(const char* box, const QString& answer) {
        pick(box, answer);
        is_read();
    }
    PatternFilePage& page() { return *window.findChild<PatternFilePage*>(); }
    QString notes() { return find<QLabel>("textNotes")->text(); }
    QString plot(const char* which) { return page().findChild<PolarPlot*>(which)->words(); }
    const Antenna& antenna() {
        return find_antenna(project(), window.gear().shown().antenna)->bands[0].antenna;
    }
    QTemporaryDir folder;
};

}  // namespace

TEST_CASE("blocks are proposed as cuts, put right on the plots, and become an antenna in one step") {
    Reader d;
    // the words tell nothing of planes, the losses are positive, the elevation runs down
    d.open("Works of somebody, gain 8.2\npart one\n" + round_of(30, 10, 1) + "part two\n" +
           round_of(70, 0, 1));
    REQUIRE(d.page().isVisible());
    CHECK(d.find<QComboBox>("textBlock0")->currentText() == tr("azimuth"));
    CHECK(d.find<QComboBox>("textBlock1")->currentText() == tr("elevation"));
    CHECK(d.notes().contains("no unit"));
    CHECK(d.find<QPlainTextEdit>("patternText")->extraSelections().size() == 2);
    CHECK(number_in(d.find<QLineEdit>("textGain")->text()) == Approx(8.2));
    CHECK(d.plot("plotAzimuth").contains(shown_as("30.0")));
    CHECK(d.find<QComboBox>("textValues")->currentText() == tr("as found: %1").arg(tr("losses, dB")));
    picture(d.window, "pattern_file");
    // the second is the azimuth: the first gives that use up
    d.choose("textBlock1", tr("azimuth"));
    CHECK(d.find<QComboBox>("textBlock0")->currentText() == tr("not used"));
    CHECK(d.notes().contains(tr("no elevation cut")));
    d.choose("textBlock0", tr("elevation"));
    CHECK(d.plot("plotAzimuth").contains(shown_as("70.0")));
    CHECK(d.notes().contains("no unit"));  // it is still the file's gain, and not one that was typed
    d.choose("textUnit", "dBd");
    CHECK(number_in(d.find<QLineEdit>("textGain")->text()) == Approx(10.35));
    CHECK_FALSE(d.notes().contains("no unit"));
    d.choose("textElevation", tr("down"));
    d.fill("textFrequency", "5500");
    d.is_read();
    const int steps = d.w().document().history().count();
    for (auto* b : d.page().findChildren<QPushButton*>())
        if (b->property("tests") == "acceptPattern") QTest::mouseClick(b, Qt::LeftButton);
    CHECK(d.window.gear().isVisible());
    CHECK(d.w().document().history().count() == steps + 1);
    REQUIRE(std::holds_alternative<MeasuredLobe>(d.antenna().lobe));
    const MeasuredPattern& made = std::get<MeasuredLobe>(d.antenna().lobe).pattern();
    CHECK(made.cuts.front().elevation.peak_deg() == 350);
    CHECK(made.cuts.front().azimuth.peak_deg() == 0);
    CHECK(made.cuts.front().frequency_mhz == 5500);
    CHECK(made.name == "sheet.txt");
    CHECK(d.antenna().gain_dbi == Approx(10.35));
    d.menu("edit.undo");
    CHECK_FALSE(std::holds_alternative<MeasuredLobe>(d.antenna().lobe));
}

TEST_CASE("losses told as gains, and a gain that is typed, are seen at once") {
    Reader d;
    d.open("azimuth\n" + round_of(60, 0, -1) + "elevation\n" + round_of(60, 0, -1));
    CHECK(d.notes().contains(tr("no gain is told").mid(3)));
    d.choose("textValues", tr("losses, dB"));
    CHECK_FALSE(d.plot("plotAzimuth").contains(shown_as("60.0")));  // the beam has become a dent
    d.choose("textValues", tr("gains or levels, dB"));
    CHECK(d.plot("plotAzimuth").contains(shown_as("60.0")));
    d.fill("textGain", "30");
    d.is_read();
    CHECK(d.notes().contains("more than its cuts can have"));
    d.fill("textGain", "loud");
    CHECK(d.find<QLineEdit>("textGain")->property("fault").toBool());
    d.fill("textGain", "9");
    d.is_read();
    CHECK_FALSE(d.notes().contains("more than its cuts can have"));
    QTest::keyClick(&d.page(), Qt::Key_Escape);
    CHECK(d.window.gear().isVisible());
    CHECK_FALSE(std::holds_alternative<MeasuredLobe>(d.antenna().lobe));
}

TEST_CASE("one block alone is offered with the other cut filled in; a text without numbers is refused") {
    Reader d;
    d.open("Round thing, elevation\n" + round_of(24, 0, -1));
    REQUIRE(d.page().isVisible());
    CHECK(d.notes().contains("taken to be round"));
    d.choose("textBlock0", tr("not used"));
    CHECK(d.notes().contains("holds no pattern"));
    d.choose("textBlock0", tr("elevation"));
    CHECK(d.notes().contains("taken to be round"));
    QTest::keyClick(&d.page(), Qt::Key_Escape);
    QString told;
    QObject::connect(&d.w(), &Workspace::told, [&](const QString& said, bool) { told = said; });
    d.open("nothing of use here\n");
    CHECK(told.contains("holds no pattern"));
    CHECK(d.window.gear().isVisible());
}
