// SPDX-License-Identifier: GPL-3.0-or-later
// A text with blocks of numbers that does not say itself which cuts they are: proposed, and confirmed on the
// plots. Files that say it are read without a question.
#pragma once
#include <QWidget>
#include <optional>
#include <vector>

#include "antenna/pattern/pattern_file.h"
#include "app/behind/behind.h"
#include "app/model/workspace.h"
#include "wireless/band.h"

class QComboBox;
class QGridLayout;
class QLabel;
class QPlainTextEdit;
class QPushButton;

namespace yemvo::app {

class PatternPlots;
class UnitField;

/// A text as it was read.
struct ReadText {
    QString name;  ///< of the file
    std::string text;
    std::optional<PatternFile> file;
    std::vector<NumberBlock> blocks;  ///< none: the text says itself what it holds
    QString fault;                    ///< why `file` is missing
};
/// One cut alone is taken with the other filled in. Throws Error where the text holds nothing that could be a
/// pattern.
ReadText read_text(std::string text, const QString& name, PatternWishes);

class PatternFilePage : public QWidget {
    Q_OBJECT
public:
    explicit PatternFilePage(Workspace&, QWidget* parent = nullptr);
    /// Reads the file behind the window; either it is accepted at once or the page asks to be shown.
    /// `frequency_mhz`: for what tells none.
    void open(const QString& file, double frequency_mhz);
    bool is_idle() const { return behind_.is_idle(); }
    Behind& behind() { return behind_; }

signals:
    void opened();
    void left();
    /// `name`: of the file it is from.
    void accepted(const yemvo::PatternFile&, const QString& name);

protected:
    void keyPressEvent(QKeyEvent*) override;
    void paintEvent(QPaintEvent*) override;
    void hideEvent(QHideEvent*) override;

private:
    QWidget* make_head();
    QWidget* make_right();
    QComboBox* choice(QGridLayout*, int row, const QString& words, const char* object,
                      const QStringList& answers);
    void show_text(ReadText);
    void rebuild_blocks();
    void mark_blocks();
    void name_what_was_found();
    void read_again();
    void show_gain();
    void refresh();
    void accept();
    PatternWishes wishes() const;
    CutRole role(std::size_t block) const;
    Workspace& workspace_;
    Behind behind_;
    ReadText read_;
    double frequency_mhz_ = 0;
    std::optional<double> typed_gain_dbi_;
    QLabel *title_, *told_, *notes_;
    QPlainTextEdit* text_;
    PatternPlots* plots_;
    QGridLayout* blocks_;
    std::vector<QComboBox*> roles_;
    QComboBox *values_, *unit_, *azimuth_runs_, *elevation_runs_;
    UnitField *gain_, *frequency_;
    QPushButton* accept_;
};

}  // namespace yemvo::app
